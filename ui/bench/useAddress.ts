'use client';
import { usePathname, useSearchParams } from 'next/navigation';

/** The state of a tool, kept in the page's address so that it can be bookmarked and sent on. */
export interface Address {
  get(key: string, otherwise: string): string;
  set(change: Readonly<Record<string, string>>): void;
}

export function useAddress(): Address {
  const params = useSearchParams();
  const pathname = usePathname();
  return {
    get: (key, otherwise) => params.get(key) ?? otherwise,
    set: (change) => {
      // As it stands now, not as it was drawn: what was typed into another field a moment ago is in it already.
      const next = new URLSearchParams(window.location.search);
      for (const [key, value] of Object.entries(change)) next.set(key, value);
      // No new place in the history for every keystroke.
      window.history.replaceState(null, '', `${pathname}?${next.toString()}`);
    },
  };
}
