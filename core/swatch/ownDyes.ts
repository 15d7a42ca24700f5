import { addedKs, withKs } from '../colour/kubelkaMunk';
import { deltaE00, hexOfLinear, type Linear, labOfLinear, linearOf, linearOfLab } from '../colour/lab';
import { UNDYED_HEX } from '../colour/undyed';
import { dyedWith, isCorrected, type Swatch } from './swatch';

/** What one dyestuff gave on one ground, as it was read dry. */
export interface DyeResult {
  readonly dye: string;
  readonly mordanted: boolean;
  /** Linear light, 0–1. */
  readonly light: Linear;
  readonly ground: Linear;
}

/** What a dyestuff gives here, learnt from own results. */
export interface OwnDye {
  readonly dye: string;
  readonly mordanted: boolean;
  /** As it would be on undyed fibre. */
  readonly hex: string;
  /** Results it was learnt from. */
  readonly n: number;
  /** Mean ΔE00 of the single ones from it; null with one alone. */
  readonly spread: number | null;
}

/** A result that tells of one dyestuff alone: read dry and free of the light’s sway, nothing dipped after it. Null for all others. */
export function dyeResult({ passport, stage, colour }: Pick<Swatch, 'passport' | 'stage' | 'colour'>, baseHex: string | null): DyeResult | null {
  const [dye, another] = dyedWith({ passport });
  if (stage.kind !== 'dye' || dye === undefined || another !== undefined || !colour || !isCorrected(colour)) return null;
  if (colour.state !== 'dry' && colour.state !== 'cured') return null;
  const done = passport.treatments.filter(({ certainty, substance }) => certainty !== 'noneOnPurpose' && substance !== null);
  if (done.some(({ kind }) => kind === 'iron' || kind === 'modifier')) return null;
  return { dye, mordanted: done.some(({ kind }) => kind === 'mordant'), light: linearOfLab(colour.lab), ground: linearOf(baseHex ?? UNDYED_HEX) };
}

/** Averaged by what they add to their grounds (K/S), so that a result on grey wool tells of the dye, not of the wool. */
export function learnDyes(results: readonly DyeResult[]): OwnDye[] {
  const kinds = new Map<string, DyeResult[]>();
  for (const result of results) {
    const key = `${result.mordanted} ${result.dye}`;
    const had = kinds.get(key);
    if (had) had.push(result);
    else kinds.set(key, [result]);
  }
  const white = linearOf(UNDYED_HEX);
  return [...kinds.values()].flatMap((own) => {
    const [first] = own;
    if (!first) return [];
    const added = own.map(({ light, ground }) => addedKs(light, ground));
    const mean = (i: 0 | 1 | 2): number => added.reduce((sum, one) => sum + one[i], 0) / added.length;
    const light = withKs(white, [mean(0), mean(1), mean(2)]);
    const lab = labOfLinear(light);
    const off = added.reduce((sum, one) => sum + deltaE00(lab, labOfLinear(withKs(white, one))), 0) / added.length;
    return [{ dye: first.dye, mordanted: first.mordanted, hex: hexOfLinear(light), n: own.length, spread: own.length > 1 ? off : null }];
  });
}

/** The colour to plan with: what this dyestuff gave here on such fibre; null where nobody saw it yet. */
export const ownDyeOf = (dyes: readonly OwnDye[], dye: string, mordanted: boolean): OwnDye | null =>
  dyes.find((one) => one.dye === dye && one.mordanted === mordanted) ?? null;
