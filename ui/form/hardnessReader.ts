import { parseHardness } from '@/core/chem/water';
import { type Known, knownText } from '@/core/figure';
import type { Reader } from './typed';

export const hardnessText = (known: Exclude<Known, null>): string => knownText(known, (mg) => `${Math.round(mg)} mg/L`);

/** Alkalinity or hardness of water, in any unit, as mg/L of calcium carbonate. */
export const hardnessReader = (): Reader<Exclude<Known, null>> => (text) => {
  const read = parseHardness(text);
  if (!read.ok) return { ok: false, why: read.error };
  return { ok: true, value: read.value, says: read.value === null ? '' : `= ${hardnessText(read.value)}` };
};
