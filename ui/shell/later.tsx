'use client';
import { Button } from 'antd';
import { type ComponentType, type ReactNode, startTransition, useEffect, useState } from 'react';
import { Notice } from './Notice';

/** A part of a page that is fetched when it is first drawn, or before by `fetch`, which never throws. */
export type LaterPart<P extends object> = ComponentType<P> & { readonly fetch: () => Promise<boolean> };

/**
 * A heavy part that comes after the first bytes of its page. When it cannot be fetched, because the server is gone, that
 * is said in its place and the page around it lives on.
 * @param meanwhile what keeps its place until it is there
 */
export function later<P extends object>(load: () => Promise<ComponentType<P>>, meanwhile: ReactNode = null): LaterPart<P> {
  let Part: ComponentType<P> | null = null;
  const fetch = async (): Promise<boolean> => {
    try {
      Part = await load();
      return true;
    } catch {
      return false;
    }
  };
  // biome-ignore lint/correctness/noComponentHookFactories: called once for each part, as its module is loaded, like React's own lazy
  function Later(props: P) {
    const [state, setState] = useState<'coming' | 'there' | 'failed'>(Part ? 'there' : 'coming');
    useEffect(() => {
      let here = true;
      if (state === 'coming')
        void inTurn()
          .then(fetch)
          .then((there) => here && startTransition(() => setState(there ? 'there' : 'failed')));
      return () => {
        here = false;
      };
    }, [state]);
    // By its state, not by its being there: what another redraw finds here would come at once, in one long piece of work.
    if (state === 'there' && Part) return <Part {...props} />;
    if (state !== 'failed') return meanwhile;
    return (
      <Notice kind="fault" acts={<Button onClick={() => setState('coming')}>Try again</Button>}>
        This part could not be fetched: no answer from Hyndle. What you logged is kept.
      </Notice>
    );
  }
  return Object.assign(Later, { fetch });
}

let turn: Promise<void> = Promise.resolve();
/** To ask for a part is work too: a page with a dozen of them asks for one at a time, and does not wait until it has come. */
function inTurn(): Promise<void> {
  turn = turn.then(() => new Promise((resolve) => setTimeout(resolve)));
  return turn;
}

const idle = (): Promise<void> =>
  new Promise((resolve) => {
    // Safari has no idle callbacks.
    if ('requestIdleCallback' in window) window.requestIdleCallback(() => resolve(), { timeout: 500 });
    else setTimeout(resolve, 50);
  });

/** Fetches parts before they are wanted: one after the other, in the page’s idle moments, so that none holds up a hand. */
export async function fetchBeforehand(parts: readonly { readonly fetch: () => Promise<boolean> }[]): Promise<void> {
  for (const part of parts) {
    await idle();
    await part.fetch();
  }
}
