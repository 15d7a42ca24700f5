'use client';
import { useCallback, useEffect, useMemo, useState } from 'react';
import type { LiveMessage } from '@/contract/views';
import { errorText, get } from './http';
import { useLive } from './live';

export type Loaded<T> =
  | { readonly state: 'loading' }
  | { readonly state: 'failed'; readonly why: string; readonly retry: () => void }
  | { readonly state: 'ready'; readonly value: T; readonly reload: () => void };

/** Loads from /api/v1 and again whenever the live stream tells of a change that concerns it. */
export function useLoaded<T>(path: string, concerns: (message: LiveMessage) => boolean): Loaded<T> {
  const [loaded, setLoaded] = useState<{ path: string; value?: T; why?: string } | null>(null);
  const load = useCallback(() => {
    get<T>(path).then(
      (value) => setLoaded({ path, value }),
      (error: unknown) => setLoaded((had) => (had?.path === path && had.value !== undefined ? had : { path, why: errorText(error) })),
    );
  }, [path]);
  useEffect(load, [load]);
  useLive((message) => concerns(message) && load(), load);
  // The same object as long as nothing new came, so that what is worked out of it is not worked out again.
  return useMemo(() => {
    if (loaded?.path !== path) return { state: 'loading' };
    if (loaded.value === undefined) return { state: 'failed', why: loaded.why ?? '', retry: load };
    return { state: 'ready', value: loaded.value, reload: load };
  }, [loaded, path, load]);
}
