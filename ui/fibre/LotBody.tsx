'use client';
import { Descriptions } from 'antd';
import Link from 'next/link';
import type { LotView } from '@/contract/views';
import { shareText, type Treatment } from '@/core/fibre/passport';
import { weightWorking } from '@/core/fibre/weight';
import { figureText } from '@/core/figure';
import { usePrint } from '../shell/facts';
import { Help } from '../shell/Help';
import { Notice } from '../shell/Notice';
import { Panel } from '../shell/Page';
import { WorkingLines } from '../shell/WorkingLines';
import { Hem } from './Hem';
import { ANSWER_WORD, CERTAINTY_WORD, TREATMENT_WORD } from './lotText';

/** What a lot is and where it came from, and its passport as a hem with a line for each stitch. */
export function LotBody({ lot }: { lot: LotView }) {
  return (
    <>
      <Ended lot={lot} />
      {lot.note ? <p>{lot.note}</p> : null}
      {lot.weightFrom ? (
        <p className="quiet">
          Its weight was worked out.{' '}
          <Help word="working" of="dry weight">
            <WorkingLines working={weightWorking(lot.weightFrom, lot.composition)} />
          </Help>
        </p>
      ) : null}
      <Panel title="Passport">
        <Hem passport={lot.passport} />
        <Descriptions
          className="questions"
          layout="vertical"
          size="small"
          colon={false}
          column={4}
          items={(['scour', 'tannin', 'mordant', 'dye'] as const).map((question) => ({
            key: question,
            label: `${TREATMENT_WORD[question]}?`,
            children: lot.passport.state[question] === 'known' ? <strong>{ANSWER_WORD.known}</strong> : <em>{ANSWER_WORD[lot.passport.state[question]]}</em>,
          }))}
        />
        {lot.passport.treatments.length === 0 ? (
          <p className="quiet">
            Nothing is known of its past. A small piece in a mordanted neighbour’s bath tells within minutes: unmordanted yarn stays pale.
          </p>
        ) : null}
        <ol className="treatments">
          {lot.passport.treatments.map((treatment) => (
            <TreatmentRow key={treatment.id} treatment={treatment} lotId={lot.id} />
          ))}
        </ol>
      </Panel>
    </>
  );
}

/** Where it came from and what became of it, as links. */
function Ended({ lot }: { lot: LotView }) {
  const links = (ids: readonly string[], word: (i: number) => string) =>
    ids.map((id, i) => (
      <span key={id}>
        {i > 0 ? ', ' : ''}
        <Link href={`/fibre/${id}`}>{word(i)}</Link>
      </span>
    ));
  return (
    <>
      {lot.ended ? (
        <Notice>
          {lot.ended.how === 'retired' ? 'Put away: no longer offered; its records stay.' : lot.ended.how === 'split' ? 'Split up into ' : 'Joined into '}
          {links(lot.ended.into, (i) => (lot.ended?.how === 'split' ? `part ${i + 1}` : 'the whole'))}
        </Notice>
      ) : null}
      {lot.from.length > 0 ? (
        <p className="quiet">
          {lot.from.length === 1 ? 'Split from ' : 'Joined of '}
          {links(lot.from, (i) => (lot.from.length === 1 ? 'the whole' : `lot ${i + 1}`))}
        </p>
      ) : null}
    </>
  );
}

function TreatmentRow({ treatment, lotId }: { treatment: Treatment; lotId: string }) {
  const print = usePrint();
  return (
    <li className="row">
      <span className="quiet figure" style={{ minWidth: '11ch' }}>
        {treatment.atMs === null ? 'no date' : print.day(treatment.atMs)}
      </span>
      <strong>
        {TREATMENT_WORD[treatment.kind]}
        {treatment.part ? ` (${treatment.part})` : ''}
      </strong>
      <span className="row-main">
        {treatment.substance ?? (treatment.certainty === 'noneOnPurpose' ? 'nothing' : '')}
        {treatment.wofPct.state === 'unknown'
          ? ''
          : ` ${figureText(treatment.wofPct, (pct) => shareText(treatment.kind, pct))}${treatment.kind === 'dye' ? '' : ' of its weight'}`}
      </span>
      <span>{treatment.certainty === 'known' ? CERTAINTY_WORD.known : <em>{CERTAINTY_WORD[treatment.certainty]}</em>}</span>
      <span className="quiet">
        {'run' in treatment.from ? (
          <Link href={`/runs/${treatment.from.run}/record`}>{treatment.note || 'a run'}</Link>
        ) : (
          `by hand${treatment.note ? `: ${treatment.note}` : ''}`
        )}
        {treatment.lotId && treatment.lotId !== lotId ? (
          <>
            {' · '}
            <Link href={`/fibre/${treatment.lotId}`}>before it was this lot</Link>
          </>
        ) : null}
      </span>
    </li>
  );
}
