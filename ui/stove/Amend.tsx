'use client';
import { Button } from 'antd';
import { useId } from 'react';
import type { RunFact } from '@/core/run/events';
import { WhenField } from '../form/WhenField';

export type Change = Extract<RunFact, { type: 'amended' }>['change'];

/** Sets an entry of the log to another time, or takes it back. */
export function Amend({ atMs, canTakeBack, onChange }: { atMs: number; canTakeBack: boolean; onChange: (change: Change) => void }) {
  const id = useId();
  return (
    <div className="stack stack-tight" style={{ gridColumn: '1 / -1' }}>
      <div className="line line-tight">
        {[5, 10, 30].map((min) => (
          <Button key={min} size="small" onClick={() => onChange({ kind: 'retimed', atMs: atMs - min * 60_000 })}>
            {min} min earlier
          </Button>
        ))}
        {canTakeBack ? (
          <Button size="small" onClick={() => onChange({ kind: 'withdrawn', reason: 'taken back' })}>
            Take back
          </Button>
        ) : null}
      </div>
      <label htmlFor={id} className="small quiet">
        It really was at
      </label>
      <WhenField
        id={id}
        isPast
        label="It really was at"
        value={atMs}
        onChange={(ms) => ms !== null && ms !== atMs && onChange({ kind: 'retimed', atMs: ms })}
      />
    </div>
  );
}
