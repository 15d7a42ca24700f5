'use client';
import * as Comlink from 'comlink';
import { type RefObject, useEffect, useRef } from 'react';

/**
 * A worker that lives as long as what uses it; null before the page has come to life.
 * @param start makes it; the bundler wants to see `new Worker(new URL(…))` as it is written
 */
export function useThread<Api>(start: () => Worker): RefObject<Comlink.Remote<Api> | null> {
  const remote = useRef<Comlink.Remote<Api> | null>(null);
  const first = useRef(start);
  useEffect(() => {
    const thread = first.current();
    remote.current = Comlink.wrap<Api>(thread);
    return () => {
      remote.current = null;
      thread.terminate();
    };
  }, []);
  return remote;
}
