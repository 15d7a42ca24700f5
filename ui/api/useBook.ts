'use client';
import { useMemo } from 'react';
import type { BathView } from '@/contract/baths';
import type { Liquor } from '@/core/liquor/liquor';
import type { Method } from '@/core/method/method';
import type { Assistant } from '@/core/shelf/assistant';
import type { Dyestuff } from '@/core/shelf/dyestuff';
import { lookUp, type Shelf } from '@/core/shelf/lookup';
import type { StockLevel } from '@/core/shelf/stock';
import { allLoaded, type Loaded, useLoaded } from './useLoaded';

/** Everything a plan can be made of, as the shelf and the library have it now. */
export interface Book {
  readonly methods: readonly Method[];
  readonly dyestuffs: readonly Dyestuff[];
  readonly assistants: readonly Assistant[];
  readonly baths: readonly BathView[];
  /** Kept baths as they stand now. */
  readonly liquors: readonly Liquor[];
  /** By substance: the label that the shelf knows, which a plan takes unless it says otherwise. */
  readonly labels: Readonly<Record<string, string>>;
  /** Dyestuffs and assistants to be looked up by id. */
  readonly shelf: Shelf;
  find(id: string): Method | undefined;
}

export function useBook(): Loaded<Book> {
  const methods = useLoaded<Method[]>('/methods');
  const dyestuffs = useLoaded<Dyestuff[]>('/dyestuffs');
  const assistants = useLoaded<Assistant[]>('/assistants');
  const baths = useLoaded<BathView[]>('/baths');
  const stock = useLoaded<StockLevel[]>('/stock');
  return useMemo(() => {
    const parts = allLoaded({ methods, dyestuffs, assistants, baths, stock });
    if (parts.state !== 'ready') return parts;
    const byId = new Map(parts.value.methods.map((method) => [method.id, method]));
    const labels = Object.fromEntries(
      parts.value.stock
        .toSorted((a, b) => a.item.countedAtMs - b.item.countedAtMs)
        .flatMap(({ item }) => (item.label === null ? [] : [[item.substance, item.label]])),
    );
    return {
      state: 'ready',
      reload: parts.reload,
      value: {
        methods: parts.value.methods,
        dyestuffs: parts.value.dyestuffs,
        assistants: parts.value.assistants,
        baths: parts.value.baths,
        liquors: parts.value.baths.map(({ now }) => now),
        labels,
        shelf: lookUp(parts.value.dyestuffs, parts.value.assistants),
        find: (id) => byId.get(id),
      },
    };
  }, [methods, dyestuffs, assistants, baths, stock]);
}
