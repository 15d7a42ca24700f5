'use client';
import { Button } from 'antd';
import type { Lot } from '@/core/fibre/lot';
import { changesAgainst, guardText } from '@/core/plan/against';
import type { Draft } from '@/core/plan/draft';
import type { Book } from '../api/useBook';
import { usePrint } from '../shell/facts';
import { Notice } from '../shell/Notice';
import { Panel } from '../shell/Page';

interface Props {
  readonly draft: Draft;
  readonly onDraft: (draft: Draft) => void;
  readonly lots: readonly Lot[];
  readonly book: Book;
}

/** What differs from the session that is repeated: one thing is a trial, two are a riddle. */
export function AgainstPanel({ draft, onDraft, lots, book }: Props) {
  const print = usePrint();
  const { against } = draft;
  if (!against) return null;
  const own = lots.filter(({ id }) => draft.lotIds.includes(id));
  const changes = changesAgainst(draft, against, own, { all: book.methods, find: book.find }, book.shelf);
  const says = guardText(against, changes.length);
  const { chain, overrules, plantAmounts, extras, lids, labels = draft.labels ?? {}, doseOf = draft.doseOf ?? null } = against;
  const back = { ...draft, chain, overrules, plantAmounts, extras, lids, labels, doseOf, vessels: {} };
  return (
    <Panel title="One thing changed" label="One thing changed">
      {changes.length > 1 ? <Notice>{says}</Notice> : <p>{says}</p>}
      <ul>
        {changes.map((change) => (
          <li key={`${change.at} ${change.says}`}>{print.says(change.says)}</li>
        ))}
      </ul>
      <div className="line line-tight">
        <Button size="small" disabled={changes.every(({ at }) => at === 'fibre')} onClick={() => onDraft(back)}>
          Put all back as it was
        </Button>
        <Button size="small" onClick={() => onDraft({ ...draft, against: null })}>
          Let it be another session
        </Button>
      </div>
    </Panel>
  );
}
