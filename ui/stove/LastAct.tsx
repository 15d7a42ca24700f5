'use client';
import { App, Button } from 'antd';
import { useEffect, useRef } from 'react';
import { usePrint } from '../shell/facts';

export interface Logged {
  readonly ids: readonly string[];
  readonly text: string;
  readonly atMs: number;
}

interface Props {
  /** What was just logged; null once it was taken back, set right, or is long past. */
  readonly logged: Logged | null;
  readonly onBack: (min: number) => void;
  readonly onTakeBack: () => void;
  readonly onClose: () => void;
}

const STAYS_S = 20;
const KEY = 'last-act';
/** A long note is told by its beginning; all of it stands in the log. */
const TWO_LINES = { display: '-webkit-box', WebkitBoxOrient: 'vertical', WebkitLineClamp: 2, overflow: 'hidden' } as const;
/** Clear of the navigation, which lies at the foot of a phone. */
const ABOVE_NAV_PX = 80;

/** What was just logged, said at the foot, where neither the next call nor what lies under a finger is, with a way to set it back or take it back. */
export const LastAct = (props: Props) => (
  <App component={false} notification={{ placement: 'bottomRight', bottom: ABOVE_NAV_PX }}>
    <Said {...props} />
  </App>
);

function Said({ logged, onBack, onTakeBack, onClose }: Props) {
  const { notification } = App.useApp();
  const print = usePrint();
  const latest = useRef({ onBack, onTakeBack, onClose, print });
  useEffect(() => {
    latest.current = { onBack, onTakeBack, onClose, print };
  });
  useEffect(() => {
    if (!logged) return notification.destroy(KEY);
    notification.open({
      key: KEY,
      title: `Logged ${latest.current.print.clock(logged.atMs)}`,
      description: <span style={TWO_LINES}>{logged.text}</span>,
      duration: STAYS_S,
      role: 'status',
      onClose: () => latest.current.onClose(),
      actions: (
        <div className="line line-tight">
          {[5, 10].map((min) => (
            <Button key={min} onClick={() => latest.current.onBack(min)}>
              {min} min ago
            </Button>
          ))}
          <Button onClick={() => latest.current.onTakeBack()}>
            Take back <kbd>u</kbd>
          </Button>
        </div>
      ),
    });
  }, [logged, notification]);
  return null;
}
