'use client';
import { useEffect, useRef } from 'react';

interface Keys {
  readonly digit: (number: number) => void;
  readonly key: (key: string) => void;
}

/** Single keys, while nothing is being typed and no dialog is open. */
export function useKeys(active: boolean, keys: Keys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    if (!active) return;
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      const target = event.target as HTMLElement;
      if (target.closest('input, textarea, select, [contenteditable], [role="dialog"], [role="combobox"]')) return;
      if (/^[1-9]$/.test(event.key)) latest.current.digit(Number(event.key));
      else if (/^[a-z?]$/.test(event.key)) {
        event.preventDefault();
        latest.current.key(event.key);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [active]);
}
