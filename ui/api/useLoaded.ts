'use client';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { errorText, get } from './http';

export type Loaded<T> =
  | { readonly state: 'loading' }
  | { readonly state: 'failed'; readonly why: string; readonly retry: () => void }
  | { readonly state: 'ready'; readonly value: T; readonly reload: () => void };

/** What /api/v1 answers at `path`: from the page itself when it came with it, and again whenever something changes it. */
export function useLoaded<T>(path: string): Loaded<T> {
  const { data, error, refetch } = useQuery<T>({ queryKey: [path], queryFn: () => get<T>(path) });
  // The same object as long as nothing new came, so that what is worked out of it is not worked out again.
  return useMemo(() => {
    const again = () => void refetch();
    if (data !== undefined) return { state: 'ready', value: data, reload: again };
    return error ? { state: 'failed', why: errorText(error), retry: again } : { state: 'loading' };
  }, [data, error, refetch]);
}

type Ready<P> = { readonly [K in keyof P]: P[K] extends Loaded<infer T> ? T : never };

/** Several answers that a page needs together: failed when one is, ready when all are. */
export function allLoaded<P extends Readonly<Record<string, Loaded<unknown>>>>(parts: P): Loaded<Ready<P>> {
  const all = Object.values(parts);
  for (const part of all) if (part.state === 'failed') return part;
  const values: Record<string, unknown> = {};
  for (const [name, part] of Object.entries(parts)) {
    if (part.state !== 'ready') return { state: 'loading' };
    values[name] = part.value;
  }
  const reload = () => {
    for (const part of all) if (part.state === 'ready') part.reload();
  };
  return { state: 'ready', value: values as Ready<P>, reload };
}
