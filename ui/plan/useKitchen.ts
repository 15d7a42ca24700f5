'use client';
import { useMemo } from 'react';
import type { LotView } from '@/contract/views';
import { type HeldLast, pastOf } from '@/core/bath/past';
import type { TriedHere } from '@/core/fibre/tried';
import type { KnownPot } from '@/core/heat/learnPot';
import type { Home } from '@/core/kitchen/home';
import type { Vessel } from '@/core/kitchen/vessel';
import type { Method } from '@/core/method/method';
import type { Kitchen } from '@/core/plan/planHere';
import type { Stay } from '@/core/plan/stays';
import { shelfOf } from '@/core/shelf/library';
import type { OwnDye } from '@/core/swatch/ownDyes';
import { type Book, useBook } from '../api/useBook';
import { allLoaded, type Loaded, useLoaded } from '../api/useLoaded';
import { useTried } from '../api/useTried';

export interface PlanningRoom {
  readonly lots: readonly LotView[];
  readonly vessels: readonly Vessel[];
  readonly book: Book;
  readonly kitchen: Kitchen;
  /** What one's own runs have tried. */
  readonly tried: TriedHere;
}

const NO_METHODS: readonly Method[] = [];

/**
 * What a plan is made of and made in.
 * @param older versions of methods that the plan at hand was made with
 * @param sessionId the session that is being changed: it does not get in its own way
 * @param runId its run, once it has begun
 */
export function useKitchen(older: readonly Method[] = NO_METHODS, sessionId: string | null = null, runId: string | null = null): Loaded<PlanningRoom> {
  const lots = useLoaded<LotView[]>('/lots');
  const vessels = useLoaded<Vessel[]>('/vessels');
  const home = useLoaded<Home>('/home');
  const book = useBook();
  const stays = useLoaded<Stay[]>('/stays');
  const ownDyes = useLoaded<OwnDye[]>('/swatches/dyes');
  const pots = useLoaded<KnownPot[]>('/pots/heat');
  const held = useLoaded<HeldLast[]>('/pots/held');
  const tried = useTried();
  return useMemo(() => {
    const parts = allLoaded({ lots, vessels, home, book, stays, ownDyes, held });
    if (parts.state !== 'ready') return parts;
    // What pots taught is a help: without it a plan reckons with the label’s watts.
    if (pots.state === 'loading') return pots;
    const { value } = parts;
    const known = new Set(value.book.methods.map((method) => `${method.id}/${method.version}`));
    const kitchen: Kitchen = {
      lots: value.lots,
      vessels: value.vessels,
      home: value.home,
      methods: [...value.book.methods, ...older.filter((method) => !known.has(`${method.id}/${method.version}`))],
      dyestuffs: value.book.dyestuffs,
      assistants: value.book.assistants,
      mordants: Object.fromEntries(value.lots.map((lot) => [lot.id, lot.passport.state.mordant])),
      liquors: value.book.liquors,
      labels: value.book.labels,
      others: value.stays.filter((stay) => stay.sessionId !== sessionId),
      ownDyes: value.ownDyes,
      pots: pots.state === 'ready' ? pots.value : [],
      past: pastOf(
        value.held,
        value.lots.map(({ id, passport }) => [id, passport] as const),
        { sessionId, runId },
        shelfOf({ dyestuffs: value.book.dyestuffs, assistants: value.book.assistants }),
      ),
    };
    return { state: 'ready', reload: parts.reload, value: { lots: value.lots, vessels: value.vessels, book: value.book, kitchen, tried } };
  }, [lots, vessels, home, book, stays, ownDyes, pots, held, tried, older, sessionId, runId]);
}
