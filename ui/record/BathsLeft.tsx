'use client';
import { App, Button } from 'antd';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import type { BathView } from '@/contract/baths';
import type { RunView } from '@/contract/views';
import { lineText, soluteText, volumeText } from '@/core/bath/balanceText';
import { figureOf, figureText } from '@/core/figure';
import type { KeptFact } from '@/core/liquor/act';
import type { Liquor } from '@/core/liquor/liquor';
import { lowerFirst } from '@/core/measure/lowerFirst';
import { printNumber } from '@/core/measure/print';
import { type BathLeft, bathsLeft } from '@/core/run/bathsLeft';
import { foldRun } from '@/core/run/fold';
import type { Dyestuff } from '@/core/shelf/dyestuff';
import { shelfOf } from '@/core/shelf/library';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { useNow } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { Caution } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { later } from '../shell/later';
import { Open } from '../shell/Open';
import { Panel } from '../shell/Page';
import { INTO_KEPT_PX } from './intoKeptPx';

const IntoKept = later(
  () => import('./IntoKept').then((module) => module.IntoKept),
  <span style={{ display: 'inline-block', width: INTO_KEPT_PX, height: 32 }} />,
);
const LiquorForm = later(() => import('../shelf/LiquorForm').then((module) => module.LiquorForm));

/** The baths that stand there now: kept, poured into a jar or jug that is kept, or poured away with a thought. */
export function BathsLeft({ view }: { view: RunView }) {
  const dyestuffs = useLoaded<Dyestuff[]>('/dyestuffs');
  const kept = useLoaded<BathView[]>('/baths');
  const [keeping, setKeeping] = useState<BathLeft | null>(null);
  const now = useNow(60_000);
  const state = useMemo(() => foldRun(view.plan.steps, view.events), [view]);
  const baths = bathsLeft(view.plan, state, now);
  // All of it or none: what comes a moment later would move the button under a finger that is on it already.
  if (baths.length === 0 || kept.state === 'loading' || dyestuffs.state === 'loading') return null;
  const from = (bath: BathLeft): Partial<Omit<Liquor, 'id' | 'revision' | 'retired'>> => ({
    name: `${view.plan.name}, after ${lowerFirst(bath.title)}`.slice(0, 120),
    dyestuffId: bath.dyestuffId,
    volumeMl: bath.volumeMl,
    ph: bath.ph,
    uses: bath.loads,
    madeAtMs: Math.round(bath.doneAtMs),
    from: { runId: view.run.id, stepId: bath.stepId },
  });
  return (
    <App component={false}>
      <Panel title="Baths left" label="Baths left">
        <Caution severity="caution" text="before pouring: what is in it, where does the drain go, do local rules allow it? Cool it first." />
        <ul className="stack">
          {baths.map((bath) => (
            <Left key={bath.stepId} bath={bath} view={view} kept={kept.state === 'ready' ? kept.value : []} onKeep={() => setKeeping(bath)} />
          ))}
        </ul>
        {keeping && dyestuffs.state === 'ready' ? (
          <LiquorForm liquor={null} from={from(keeping)} dyestuffs={dyestuffs.value} onClose={() => setKeeping(null)} />
        ) : null}
      </Panel>
    </App>
  );
}

interface LeftProps {
  readonly bath: BathLeft;
  readonly view: RunView;
  readonly kept: readonly BathView[];
  readonly onKeep: () => void;
}

function Left({ bath, view, kept, onKeep }: LeftProps) {
  const print = usePrint();
  const now = useNow(60_000);
  const { message } = App.useApp();
  const shelf = shelfOf(view.plan.own);
  const { balance } = bath;
  const own = kept.find(({ liquor }) => liquor.from?.runId === view.run.id && liquor.from.stepId === bath.stepId);
  // Poured once, it is not poured there again.
  const isIn = ({ gotFrom }: BathView) => gotFrom.some(({ runId, stepId }) => runId === view.run.id && stepId === bath.stepId);
  const open = kept.filter((one) => !isIn(one) && one !== own);
  const broughtFrom = kept.find(({ liquor }) => liquor.id === bath.liquorId)?.liquor;
  const source = open.find(({ liquor }) => liquor.id === bath.liquorId);
  const inIt = balance.solutes.flatMap((solute) => soluteText(solute, shelf.nameOf) ?? []);
  const pour = (into: BathView) => {
    const fact: KeptFact = {
      kind: 'pouredIn',
      what: `${view.plan.name}, ${lowerFirst(bath.title)}`.slice(0, 120),
      mL: bath.volumeMl,
      draw: null,
      from: { runId: view.run.id, stepId: bath.stepId },
      brings: balance.solutes.flatMap(({ substance, left, unit, isMatter }) =>
        isMatter || left === 0 ? [] : [{ substance, unit, amount: figureOf(left, 'estimated') }],
      ),
    };
    post(`/liquors/${into.liquor.id}/acts`, { id: newId(), fact }).then(
      () => void message.success(`Poured into ${into.liquor.name}.`),
      (error: unknown) => void message.error(errorText(error), 8),
    );
  };
  return (
    <li className="bath-left">
      <div className="line">
        <span>
          <strong>{bath.title}</strong> in {view.plan.vessels.find((vessel) => vessel.id === bath.vesselId)?.name ?? 'its vessel'},{' '}
          {figureText(bath.volumeMl, print.volume)}
          {bath.ph === null ? '' : `, pH ${printNumber(bath.ph)}`}
          {inIt.length > 0 ? `; ${print.says(inIt.join('; '))}` : ''}
        </span>
        {broughtFrom ? (
          <span>
            out of <Link href={`/shelf/baths/${broughtFrom.id}`}>{broughtFrom.name}</Link>
          </span>
        ) : null}
        {own ? (
          <span>
            kept as <Link href={`/shelf/baths/${own.liquor.id}`}>{own.liquor.name}</Link>
          </span>
        ) : null}
        {kept.filter(isIn).map(({ liquor }) => (
          <span key={liquor.id}>
            poured into <Link href={`/shelf/baths/${liquor.id}`}>{liquor.name}</Link>
          </span>
        ))}
        <Button size="small" onClick={onKeep}>
          Keep this bath
        </Button>
        {source ? (
          <Button size="small" onClick={() => pour(source)}>
            Back into {source.liquor.name}
          </Button>
        ) : null}
        {open.length > 0 ? <IntoKept kept={open} bath={bath} shelf={shelf} onPour={pour} /> : null}
      </div>
      {bath.pour.map((way) => (
        <p key={way} className="quiet small">
          {print.says(way)}
        </p>
      ))}
      <Open title={`How it came to ${print.says(volumeText(balance))}`}>
        <ol>
          {balance.lines.map((line) => (
            <li key={`${line.act.atMs}-${line.act.kind}-${lineText(line, shelf.nameOf)}`} className="line line-tight small">
              <time className="quiet figure" dateTime={new Date(line.act.atMs).toISOString()}>
                {print.date(line.act.atMs, now)}
              </time>
              <span>{print.says(lineText(line, shelf.nameOf))}</span>
              <span className="quiet figure">
                {line.changeMl === null || line.changeMl === 0 ? '' : `${line.changeMl > 0 ? '+' : '−'}${print.volume(Math.abs(line.changeMl))}`}
              </span>
              <span className="figure">{line.afterMl === null ? '' : print.volume(line.afterMl)}</span>
            </li>
          ))}
        </ol>
      </Open>
    </li>
  );
}
