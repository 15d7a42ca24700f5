import type { Assistant } from './assistant';
import { ASSISTANTS } from './data/assistants';
import { DYESTUFFS } from './data/dyestuffs';
import type { Dyestuff } from './dyestuff';
import { lookUp, type Shelf } from './lookup';

export interface OwnSubstances {
  readonly dyestuffs: readonly Dyestuff[];
  readonly assistants: readonly Assistant[];
}
export const NO_OWN: OwnSubstances = { dyestuffs: [], assistants: [] };

/** Shelves already made: a log asks for a name a line, and a plan's own substances never change. */
const made = new WeakMap<OwnSubstances, Shelf>();

/** The starter library with somebody's own substances behind it. */
export function shelfOf(own: OwnSubstances): Shelf {
  const had = made.get(own);
  if (had) return had;
  const shelf = lookUp([...DYESTUFFS, ...own.dyestuffs], [...ASSISTANTS, ...own.assistants]);
  made.set(own, shelf);
  return shelf;
}

/** The starter library alone. */
export const STARTER: Shelf = shelfOf(NO_OWN);
