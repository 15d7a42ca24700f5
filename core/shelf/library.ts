import type { Assistant } from './assistant';
import { ASSISTANTS } from './data/assistants';
import { DYESTUFFS } from './data/dyestuffs';
import type { Dyestuff } from './dyestuff';

/** What can be looked up: the starter library and what the dyer added. */
export interface Shelf {
  readonly dyestuffs: readonly Dyestuff[];
  readonly assistants: readonly Assistant[];
  dyestuff(id: string): Dyestuff | undefined;
  assistant(id: string): Assistant | undefined;
  /** Name of anything that goes into a bath; the id itself when nobody knows it. */
  nameOf(id: string): string;
}

export interface OwnSubstances {
  readonly dyestuffs: readonly Dyestuff[];
  readonly assistants: readonly Assistant[];
}
export const NO_OWN: OwnSubstances = { dyestuffs: [], assistants: [] };

/** The starter library with somebody's own substances behind it. */
export function shelfOf(own: OwnSubstances): Shelf {
  const dyestuffs = [...DYESTUFFS, ...own.dyestuffs];
  const assistants = [...ASSISTANTS, ...own.assistants];
  const plants = new Map(dyestuffs.map((stuff) => [stuff.id, stuff]));
  const chemicals = new Map(assistants.map((assistant) => [assistant.id, assistant]));
  return {
    dyestuffs,
    assistants,
    dyestuff: (id) => plants.get(id),
    assistant: (id) => chemicals.get(id),
    nameOf: (id) => (id === 'water' ? 'water' : (plants.get(id)?.name ?? chemicals.get(id)?.name ?? id)),
  };
}

/** The starter library alone. */
export const STARTER: Shelf = shelfOf(NO_OWN);
