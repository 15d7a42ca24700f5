'use client';
import { useMemo, useState } from 'react';
import { knownText } from '@/core/figure';
import { printDuration } from '@/core/measure/print';
import { WAYS } from '@/core/method/data/ways';
import type { Draft } from '@/core/plan/draft';
import type { Kitchen } from '@/core/plan/planHere';
import { planTotals } from '@/core/plan/totals';
import { weighOut } from '@/core/plan/weighOut';
import { trialPreview } from '@/core/trial/preview';
import { nowMs } from '../api/serverClock';
import { blankDraft } from '../plan/draft';
import { useKitchen } from '../plan/useKitchen';
import { usePlanning } from '../plan/usePlanning';
import { usePrint } from '../shell/facts';
import { factorOf, type NameOf, type TrialValues } from './trialDraft';

interface Props {
  readonly values: TrialValues;
  readonly pieceG: number | null;
  readonly nameOf: NameOf;
}

/** What a trial takes of one’s hours, and what is too little for the scale: planned as its session would be. */
export function TrialTime({ values, pieceG, nameOf }: Props) {
  const room = useKitchen();
  const { factors, design, repeats, lotId, wayId, dyestuffId } = values;
  const way = WAYS.find(({ id }) => id === wayId);
  const ready = room.state === 'ready' ? room.value : null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: names do not change what a trial takes
  const preview = useMemo(() => {
    if (!ready || !way) return null;
    const asked = {
      factors: factors.map((factor) => factorOf(factor, nameOf)).filter(({ levels }) => levels.length > 0),
      design,
      repeats: repeats ?? 1,
      lotId,
      pieceG,
      dyestuffId,
    };
    return trialPreview(asked, way, ready.lots, ready.book.find);
  }, [ready, way, factors, design, repeats, lotId, pieceG, dyestuffId]);
  if (!ready || !preview) return null;
  return <Planned kitchen={{ ...ready.kitchen, lots: preview.lots }} chain={preview.chain} />;
}

function Planned({ kitchen, chain }: { kitchen: Kitchen; chain: Draft['chain'] }) {
  const print = usePrint();
  const [startMs] = useState(nowMs);
  const key = JSON.stringify([chain, kitchen.lots.map(({ id, dryWeightG }) => [id, dryWeightG])]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the same trial, planned once
  const [own, draft] = useMemo(
    (): [Kitchen, Draft] => [kitchen, { ...blankDraft(startMs), name: 'trial', lotIds: kitchen.lots.map(({ id }) => id), chain }],
    [key],
  );
  const { built } = usePlanning(draft, own, null, null);
  const { plan, problems } = built;
  if (!plan) return problems[0] ? <p className="quiet">Its hours: {problems[0].message}</p> : <p className="quiet">Its hours are worked out …</p>;
  const { handsMin, holdsMin, startMs: fromMs, endMs } = planTotals(plan);
  const stocks = weighOut(plan).filter(({ stock }) => stock !== null);
  return (
    <>
      <p>
        In this kitchen: {printDuration((endMs - fromMs) / 60_000)} from first to last, hands {printDuration(handsMin)}, holds and waits{' '}
        {knownText(holdsMin, printDuration)}.
      </p>
      {stocks.map(({ key: line, stepTitle, name, planned, stock }) =>
        stock && planned !== null ? (
          <p key={line} className="quiet">
            {stepTitle}: {knownText(planned, print.mass)} of {name} is too little for the scale. Measure {print.volume(stock.measureMl)} of a {stock.wvPct} %
            stock, {print.mass(stock.makeG)} made up to {print.volume(stock.makeMl)}.
          </p>
        ) : null,
      )}
    </>
  );
}
