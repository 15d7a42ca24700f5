'use client';
import { App, Button } from 'antd';
import { useRef } from 'react';
import type { RunFact } from '@/core/run/events';
import { usePrint } from '../shell/facts';

const STAYS_S = 20;
const KEY = 'last-act';

interface Last {
  readonly ids: readonly string[];
  readonly atMs: number;
}

/** What was just logged, said at the side so that nothing under a finger moves, with a way to set it back or take it back. */
export function useLastAct(act: (fact: RunFact) => void): { say: (last: Last, text: string) => void; takeBack: () => void } {
  const { notification } = App.useApp();
  const print = usePrint();
  const last = useRef<Last | null>(null);
  const close = () => {
    last.current = null;
    notification.destroy(KEY);
  };
  const amend = (change: Extract<RunFact, { type: 'amended' }>['change']) => {
    for (const targetId of last.current?.ids ?? []) act({ type: 'amended', targetId, change });
    close();
  };
  const takeBack = () => amend({ kind: 'withdrawn', reason: 'taken back' });
  const say = (made: Last, text: string) => {
    last.current = made;
    notification.open({
      key: KEY,
      title: `Logged ${print.clock(made.atMs)}`,
      description: text,
      placement: 'topRight',
      duration: STAYS_S,
      role: 'status',
      onClose: close,
      actions: (
        <div className="line line-tight">
          {[5, 10].map((min) => (
            <Button key={min} onClick={() => amend({ kind: 'retimed', atMs: Math.round(made.atMs - min * 60_000) })}>
              {min} min ago
            </Button>
          ))}
          <Button onClick={takeBack}>
            Take back <kbd>u</kbd>
          </Button>
        </div>
      ),
    });
  };
  return { say, takeBack };
}
