'use client';
import { useEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';

type Keys = Readonly<Record<string, (event: KeyboardEvent) => void>>;

/** Keys that mean something while nothing is being typed and no dialog is open. Names as in the tinykeys package. */
export function useKeys(active: boolean, keys: Keys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  const names = Object.keys(keys).join(' ');
  useEffect(() => {
    if (!active) return;
    const bound = Object.fromEntries(
      names.split(' ').map((name) => [
        name,
        (event: KeyboardEvent) => {
          const target = event.target as HTMLElement;
          const isChord = event.ctrlKey || event.metaKey;
          if (event.repeat || (!isChord && target.closest('input, textarea, select, [contenteditable], [role="dialog"], [role="combobox"]'))) return;
          event.preventDefault();
          latest.current[name]?.(event);
        },
      ]),
    );
    return tinykeys(window, bound);
  }, [active, names]);
}
