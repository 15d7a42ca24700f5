import type { Assistant } from './assistant';
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

/** A shelf of just these: free of the library's data, for whoever has the lists already. */
export function lookUp(dyestuffs: readonly Dyestuff[], assistants: readonly Assistant[]): Shelf {
  const plants = new Map(dyestuffs.map((stuff) => [stuff.id, stuff]));
  const chemicals = new Map(assistants.map((assistant) => [assistant.id, assistant]));
  return {
    dyestuffs,
    assistants,
    dyestuff: (id) => plants.get(id),
    assistant: (id) => chemicals.get(id),
    nameOf: (id) => (id === 'water' ? 'water' : id === 'notChosen' ? 'plant matter' : (plants.get(id)?.name ?? chemicals.get(id)?.name ?? id)),
  };
}
