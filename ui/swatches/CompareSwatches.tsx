'use client';
import { Button, Modal, Table } from 'antd';
import { useMemo, useState } from 'react';
import type { SwatchView } from '@/contract/views';
import { overdye } from '@/core/colour/kubelkaMunk';
import { hexOfLab, hexOfLinear, linearOf } from '@/core/colour/lab';
import { compareLots, type Factor } from '@/core/compare/passports';
import { type SmallestTrial, smallestTrial, TWICE } from '@/core/compare/smallestTrial';
import { type Known, trialLevels } from '@/core/compare/trialLevels';
import { lowerFirst } from '@/core/measure/lowerFirst';
import { beside, besideText } from '@/core/swatch/beside';
import { colourByText, lightText, stateText } from '@/core/swatch/look';
import { dyedWith } from '@/core/swatch/swatch';
import { newId } from '../api/newId';
import { useBook } from '../api/useBook';
import { Patch } from '../look/Patch';
import { usePrint } from '../shell/facts';
import { later } from '../shell/later';
import { Notice } from '../shell/Notice';
import type { TrialValues } from '../trials/trialDraft';
import { useWhole, type Whole } from './useWhole';

const TrialMaker = later(() => import('../trials/TrialMaker').then((module) => module.TrialMaker));

interface Props {
  /** Two to eight, in the order they were chosen. */
  readonly chosen: readonly SwatchView[];
  readonly onClose: () => void;
}

/** Results side by side: touching, the difference in words, and every factor that differs. */
export function CompareSwatches({ chosen, onClose }: Props) {
  const { whole, fault } = useWhole(chosen);
  const [making, setMaking] = useState<Partial<TrialValues> | null>(null);
  // One window at a time: what is thought out now takes the place of what it came from.
  if (making) return <TrialMaker start={making} onClose={() => setMaking(null)} />;
  return (
    <Modal open title="Side by side" width={1100} style={{ top: 24 }} footer={null} onCancel={onClose}>
      <div
        className="line line-tight"
        style={{ gap: 0, padding: 20, marginBottom: 14, background: 'var(--swatch-ground)' }}
        role="img"
        aria-label={chosen.map((one) => `${one.name} on ${one.lot}`).join(', beside ')}
      >
        {chosen.map(({ id, hex }) => (
          <span
            key={id}
            style={{
              flex: 1,
              maxWidth: 160,
              height: 110,
              display: 'grid',
              placeItems: 'center',
              color: '#1c1c1c',
              ...(hex ? { background: hex } : { border: '1px dashed #5c5c5c' }),
            }}
          >
            {hex ? '' : '?'}
          </span>
        ))}
      </div>
      {fault ? <Notice kind="fault">{fault}</Notice> : null}
      {whole.length === chosen.length ? <Differences whole={whole} onTrial={setMaking} /> : <p className="quiet">comparing …</p>}
    </Modal>
  );
}

function Differences({ whole, onTrial }: { whole: readonly Whole[]; onTrial: (start: Partial<TrialValues>) => void }) {
  const print = usePrint();
  const [first, ...others] = whole;
  const compared = useMemo(
    () =>
      first
        ? whole
            .slice(1)
            .map((other) => ({ other, ...compareLots({ ...first.lot, passport: first.swatch.passport }, { ...other.lot, passport: other.swatch.passport }) }))
        : [],
    [first, whole],
  );
  if (!first) return null;
  const factors = compared[0]?.factors.map((factor) => factor.what) ?? [];
  const more = compared.flatMap(({ factors: own }) => own.map((factor) => factor.what)).filter((what) => !factors.includes(what));
  const rows = [...factors, ...new Set(more)].map((what) => ({ what, by: compared.map(({ factors: own }) => own.find((factor) => factor.what === what)) }));
  const open = rows.filter(({ by }) => by.some((factor) => factor && factor.verdict !== 'same'));
  return (
    <div className="stack">
      <ul className="stack">
        {compared.map(({ other, says, differs, cannotTell, factors: own }) => (
          <li key={other.view.id}>
            <Seen
              a={first}
              b={other}
              fair={differs === 1 && cannotTell === 0 ? (own.find((factor) => factor.verdict === 'differs') ?? null) : null}
              says={says}
              trial={smallestTrial(own)}
              onTrial={onTrial}
            />
          </li>
        ))}
      </ul>
      {others.length === 1 ? <OneOverOther first={first} second={others[0] as Whole} /> : null}
      <div className="frame frame-wide compare">
        <Table
          size="small"
          pagination={false}
          rowKey="what"
          dataSource={open}
          locale={{ emptyText: 'Nothing that is written down differs.' }}
          columns={[
            { title: 'What', dataIndex: 'what', rowScope: 'row' },
            { title: `${first.view.name}, ${first.view.lot}`, render: (_value, row) => print.says(row.by.find(Boolean)?.a ?? '') },
            ...compared.map(({ other }, i) => ({
              title: `${other.view.name}, ${other.view.lot}`,
              key: other.view.id,
              render: (_value: unknown, row: (typeof rows)[number]) => <Side factor={row.by[i]} says={print.says} />,
            })),
          ]}
        />
      </div>
    </div>
  );
}

const VERDICT = { same: 'same', differs: 'differs', cannotTell: 'cannot tell' } as const;
const Side = ({ factor, says }: { factor: Factor | undefined; says: (text: string) => string }) =>
  factor ? (
    <span className={factor.verdict === 'same' ? 'quiet' : undefined}>
      {says(factor.b)} <em className="quiet">{VERDICT[factor.verdict]}</em>
    </span>
  ) : null;

/** What the second dye over the first may give: only where the second’s own ground is known, and always as an estimate. */
function OneOverOther({ first, second }: { first: Whole; second: Whole }) {
  const [ground, dyed] = [first.swatch.colour, second.swatch.colour];
  if (!ground || !dyed || second.lot.baseHex === null || dyedWith(second.swatch).length === 0 || !beside(ground, dyed).comparable) return null;
  const light = overdye(linearOf(hexOfLab(ground.lab)), linearOf(hexOfLab(dyed.lab)), linearOf(second.lot.baseHex));
  return (
    <div className="line">
      <Patch hex={hexOfLinear(light)} />
      <span>
        {second.view.name} over {lowerFirst(first.view.name)} may give {hexOfLinear(light)}.{' '}
        <span className="quiet">An estimate from three bands of light (Kubelka–Munk), not a result.</span>
      </span>
    </div>
  );
}

interface SeenProps {
  readonly a: Whole;
  readonly b: Whole;
  readonly fair: Factor | null;
  readonly says: string;
  readonly trial: SmallestTrial | null;
  readonly onTrial: (start: Partial<TrialValues>) => void;
}

/** What an eye sees between two, and what it may be put down to. */
function Seen({ a, b, fair, says, trial, onTrial }: SeenProps) {
  const book = useBook();
  const known = useMemo((): Known | null => {
    if (book.state !== 'ready') return null;
    const { methods, dyestuffs, shelf } = book.value;
    return { methods, dyestuffs, nameOf: shelf.nameOf };
  }, [book]);
  const [one, other] = [a.swatch.colour, b.swatch.colour];
  const two = one && other ? beside(one, other) : null;
  return (
    <div className="stack">
      <p>
        <strong>
          {a.view.name} to {b.view.name}
        </strong>
        {': '}
        {two ? (two.comparable ? besideText(two) : `${two.difference.words} · not to be compared`) : 'no colour was read of both'}
        {two?.doubts.map((doubt) => (
          <span key={doubt}> {doubt}</span>
        ))}
      </p>
      <p className="quiet">
        {[one, other]
          .flatMap((colour) => (colour ? [`${hexOfLab(colour.lab)}: ${stateText(colour.state)}, ${lightText(colour.light)}, ${colourByText(colour.by)}`] : []))
          .join(' · ')}
      </p>
      <p>
        {says}
        {fair && two?.comparable && two.doubts.length === 0 && two.difference.deltaE >= 1 ? ` The difference may be put down to ${fair.what}.` : ''}
        {trial ? ` ${trial.says}` : ''}
      </p>
      {trial && trial.changes.length > 0 ? (
        <Button style={{ alignSelf: 'flex-start' }} disabled={!known} onClick={() => known && onTrial(startOf(a, b, trial, known))}>
          Make that trial
        </Button>
      ) : null}
    </div>
  );
}

/** The trial that would tell: each change alone, two of each, so that it also says how sure it is. */
function startOf(a: Whole, b: Whole, { changes, design }: SmallestTrial, known: Known): Partial<TrialValues> {
  return {
    name: `${a.view.name} or ${b.view.name}`.slice(0, 120),
    question: `Which of ${changes.map(({ what }) => what).join(', ')} makes the difference?`,
    design,
    repeats: TWICE,
    controls: 0,
    pieceText: '10 g',
    dyestuffId: known.dyestuffs.find(({ name }) => name === dyedWith(a.swatch)[0])?.id ?? null,
    factors: changes.map((change) => {
      const { kind, picks } = trialLevels(change, a.swatch.passport, b.swatch.passport, known);
      return { id: newId(), kind, name: kind === 'other' ? change.what : '', picks: picks.map((pick) => pick.slice(0, 60)) };
    }),
  };
}
