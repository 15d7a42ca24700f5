'use client';
import { useEffect, useRef } from 'react';

const STAYS_MS = 20_000;

interface Props {
  readonly text: string;
  readonly clock: string;
  readonly onBack: (min: number) => void;
  readonly onTakeBack: () => void;
  readonly onClose: () => void;
}

/** What was just logged, with a way to set it back in time or take it back. It goes away by itself. */
export function LastAct({ text, clock, onBack, onTakeBack, onClose }: Props) {
  const close = useRef(onClose);
  useEffect(() => {
    close.current = onClose;
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new act begins the wait anew
  useEffect(() => {
    const timer = setTimeout(() => close.current(), STAYS_MS);
    return () => clearTimeout(timer);
  }, [text, clock]);
  return (
    <div className="last-act" role="status">
      <span>
        Logged {clock}: {text}
      </span>
      <span className="last-act-acts">
        {[5, 10].map((min) => (
          <button key={min} type="button" className="act act-small" onClick={() => onBack(min)}>
            {min} min ago
          </button>
        ))}
        <button type="button" className="act act-small" onClick={onTakeBack}>
          Take back <kbd>u</kbd>
        </button>
      </span>
    </div>
  );
}
