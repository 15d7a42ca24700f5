import { conflict, notFound } from './problem';

/** Something that is only ever changed with a reason, and withdrawn once. */
interface Kept {
  readonly revision: number;
}

/**
 * The row as it stands, to be changed from this revision on. Throws Problem 404 for what is not there, 409 for what was
 * changed meanwhile or withdrawn already.
 * @param what "look", "trial": for the words
 */
export function standing<T extends Kept>(had: T | null, id: string, revision: number, what: string, isWithdrawn: (had: T) => boolean): T {
  if (!had) throw notFound(what, id);
  if (had.revision !== revision) throw conflict(`Somebody changed this ${what} meanwhile. Load it again; nothing was overwritten.`);
  if (isWithdrawn(had)) throw conflict(`This ${what} was withdrawn already.`);
  return had;
}
