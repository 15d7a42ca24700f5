'use client';
import { useMemo } from 'react';
import type { Method } from '@/core/method/method';
import type { Assistant } from '@/core/shelf/assistant';
import type { Dyestuff } from '@/core/shelf/dyestuff';
import type { Liquor } from '@/core/shelf/liquor';
import { lookUp, type Shelf } from '@/core/shelf/lookup';
import type { StockLevel } from '@/core/shelf/stock';
import { type Loaded, useLoaded } from './useLoaded';

/** Everything a plan can be made of, as the shelf and the library have it now. */
export interface Book {
  readonly methods: readonly Method[];
  readonly dyestuffs: readonly Dyestuff[];
  readonly assistants: readonly Assistant[];
  readonly liquors: readonly Liquor[];
  /** By substance: the label that the shelf knows, which a plan takes unless it says otherwise. */
  readonly labels: Readonly<Record<string, string>>;
  /** Dyestuffs and assistants to be looked up by id. */
  readonly shelf: Shelf;
  find(id: string): Method | undefined;
}

export function useBook(): Loaded<Book> {
  const methods = useLoaded<Method[]>('/methods', (message) => message.kind === 'changed' && message.what === 'method');
  const dyestuffs = useLoaded<Dyestuff[]>('/dyestuffs', (message) => message.kind === 'changed' && message.what === 'substance');
  const assistants = useLoaded<Assistant[]>('/assistants', (message) => message.kind === 'changed' && message.what === 'substance');
  const liquors = useLoaded<Liquor[]>('/liquors', (message) => message.kind === 'changed' && message.what === 'liquor');
  const stock = useLoaded<StockLevel[]>('/stock', (message) => message.kind === 'changed' && message.what === 'stock');
  return useMemo(() => {
    for (const part of [methods, dyestuffs, assistants, liquors, stock]) if (part.state === 'failed') return part;
    if (methods.state !== 'ready' || dyestuffs.state !== 'ready' || assistants.state !== 'ready' || liquors.state !== 'ready' || stock.state !== 'ready')
      return { state: 'loading' };
    const byId = new Map(methods.value.map((method) => [method.id, method]));
    const labels = Object.fromEntries(
      stock.value
        .toSorted((a, b) => a.item.countedAtMs - b.item.countedAtMs)
        .flatMap(({ item }) => (item.label === null ? [] : [[item.substance, item.label]])),
    );
    const reload = () => {
      for (const part of [methods, dyestuffs, assistants, liquors, stock]) part.reload();
    };
    return {
      state: 'ready',
      reload,
      value: {
        methods: methods.value,
        dyestuffs: dyestuffs.value,
        assistants: assistants.value,
        liquors: liquors.value,
        labels,
        shelf: lookUp(dyestuffs.value, assistants.value),
        find: (id) => byId.get(id),
      },
    };
  }, [methods, dyestuffs, assistants, liquors, stock]);
}
