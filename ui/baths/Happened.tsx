'use client';
import { Button } from 'antd';
import { useState } from 'react';
import type { BathPage } from '@/contract/baths';
import type { KeptFact } from '@/core/liquor/act';
import { printNumber } from '@/core/measure/print';
import { post } from '../api/http';
import { useNow } from '../api/serverClock';
import { WhyDialog } from '../form/WhyDialog';
import { usePrint } from '../shell/facts';
import { Panel } from '../shell/Page';
import { KEPT_WORD } from './keptWords';

const FIGURE = { flex: 'none', minWidth: '9ch', textAlign: 'right' } as const;
/** As wide as the button, where there is none. */
const NO_BUTTON = { flex: 'none', width: 78 } as const;

/** What leaves the liquid as it is, in words; null for what the balance tells. */
function besideText(fact: KeptFact): string | null {
  switch (fact.kind) {
    case 'moved':
      return `put ${KEPT_WORD[fact.keptIn]}${fact.place ? `, ${fact.place}` : ''}`;
    case 'used':
      return `dyed ${fact.what}`;
    case 'read':
      return fact.ph === null ? null : `read pH ${printNumber(fact.ph)}`;
    default:
      return null;
  }
}

/** All that happened, newest first; what was written by hand can be taken back. */
export function Happened({ bath, reload }: { bath: BathPage; reload: () => void }) {
  const print = usePrint();
  const now = useNow(60_000);
  const [back, setBack] = useState<{ id: string; text: string; revision: number } | null>(null);
  const revisions = new Map(bath.acts.map((act) => [act.id, act.revision]));
  const beside = bath.acts.flatMap(({ id, atMs, fact, withdrawn }) => {
    const text = withdrawn ? null : besideText(fact);
    return text === null ? [] : [{ actId: id, atMs, text, changeMl: null, afterMl: null }];
  });
  const rows = [...bath.lines, ...beside].toSorted((a, b) => b.atMs - a.atMs);
  const taken = bath.acts.flatMap(({ id, atMs, withdrawn }) => (withdrawn ? [{ id, atMs, reason: withdrawn.reason }] : []));
  return (
    <Panel title="What happened" label="What happened">
      <ol>
        {rows.map(({ actId, atMs, text, changeMl, afterMl }) => (
          <li key={`${actId ?? ''}${atMs}${text}`} className="row" style={{ gap: 8 }}>
            <time className="quiet" style={{ flex: 'none', minWidth: '13ch' }} dateTime={new Date(atMs).toISOString()}>
              {print.date(atMs, now)}
            </time>
            <span style={{ flex: '1 1 14ch' }}>{print.says(text)}</span>
            <span className="quiet figure" style={FIGURE}>
              {changeMl === null || changeMl === 0 ? '' : `${changeMl > 0 ? '+' : '−'}${print.volume(Math.abs(changeMl))}`}
            </span>
            <span className="figure" style={FIGURE}>
              {afterMl === null || changeMl === 0 ? '' : print.volume(afterMl)}
            </span>
            {actId ? (
              <Button
                type="link"
                size="small"
                style={NO_BUTTON}
                aria-label={`Take back: ${text}`}
                onClick={() => setBack({ id: actId, text, revision: revisions.get(actId) ?? 1 })}
              >
                take back
              </Button>
            ) : (
              <span style={NO_BUTTON} />
            )}
          </li>
        ))}
      </ol>
      {taken.map(({ id, atMs, reason }) => (
        <p key={id} className="quiet small">{`An act of ${print.date(atMs, now)} was taken back: ${reason}`}</p>
      ))}
      {back ? (
        <WhyDialog
          title="It was not so"
          okText="Take it back"
          send={(reason) => post(`/bath-acts/${back.id}/withdraw`, { reason, revision: back.revision }).then(reload)}
          onClose={() => setBack(null)}
        >
          <p>{print.says(back.text)}: it stays written down, and counts for nothing.</p>
        </WhyDialog>
      ) : null}
    </Panel>
  );
}
