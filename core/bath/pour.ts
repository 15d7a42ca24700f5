import { LEFT_OVER_WORD, type LeftOver } from '../shelf/assistant';
import type { Shelf } from '../shelf/lookup';

const STRICT: readonly LeftOver[] = ['W2', 'W3', 'W1', 'W4'];

/** Where a bath goes by what is in it (safety handbook R30), strictest first; one line each. @param ph null: nobody measured */
export function pourWays(substances: readonly string[], ph: number | null, shelf: Shelf): string[] {
  const ways = new Set(substances.flatMap((id) => shelf.assistant(id)?.leftOver ?? []));
  if (ph !== null && (ph < 6 || ph > 9)) ways.add('W3');
  if (ways.size === 0) ways.add('W1');
  return STRICT.filter((way) => ways.has(way)).map((way) => LEFT_OVER_WORD[way]);
}
