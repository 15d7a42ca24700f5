import type { Lab } from '../colour/lab';
import { dyedWith, isCorrected, type Swatch } from './swatch';

/** What a result was made of, as far as it sways how it dries. */
export interface DryingKind {
  readonly dyes: string;
  readonly fibre: string;
  readonly mordant: string;
}

/** One result that was read wet and again dry. */
export interface Dried extends DryingKind {
  /** Dry less wet. */
  readonly by: Lab;
}

/** How a colour changes as it dries, learnt from one's own results. */
export interface Drying {
  /** Results that it was learnt from. */
  readonly n: number;
  /** What they have in common: "weld on wool, alum". */
  readonly of: string;
  /** Dry less wet, the mean. */
  readonly by: Lab;
  /** Standard deviation of the single ones about it, in Lab; null with one alone. */
  readonly spread: number | null;
}

const mordantOf = ({ passport }: Pick<Swatch, 'passport'>): string =>
  [...new Set(passport.treatments.flatMap((one) => (one.kind === 'mordant' || one.kind === 'iron' ? [one.substance ?? ''] : [])))].filter(Boolean).join(' + ');

export const dryingKind = (swatch: Pick<Swatch, 'passport'>, fibre: string): DryingKind => ({
  dyes: dyedWith(swatch).join(' + '),
  fibre,
  mordant: mordantOf(swatch),
});

/** The last wet reading before the first dry one, of the whole, both free of the light's sway; null where there are no two such. */
export function driedOf(swatch: Pick<Swatch, 'passport' | 'colours'>, fibre: string): Dried | null {
  const sure = swatch.colours.filter((colour) => colour.part === null && isCorrected(colour));
  const dryAt = sure.findIndex((colour) => colour.state === 'dry' || colour.state === 'cured');
  const wet = sure.slice(0, Math.max(0, dryAt)).findLast((colour) => colour.state === 'wet' || colour.state === 'rinsed');
  const dry = sure[dryAt];
  if (!wet || !dry) return null;
  return { ...dryingKind(swatch, fibre), by: { l: dry.lab.l - wet.lab.l, a: dry.lab.a - wet.lab.a, b: dry.lab.b - wet.lab.b } };
}

type Level = { readonly says: (kind: DryingKind) => string; readonly alike: (a: DryingKind, b: DryingKind) => boolean };
/** From the nearest to the widest. */
const LEVELS: readonly Level[] = [
  {
    says: ({ dyes, fibre, mordant }) => `${dyes || 'undyed'} on ${fibre}${mordant ? `, ${mordant}` : ''}`,
    alike: (a, b) => a.dyes === b.dyes && a.fibre === b.fibre && a.mordant === b.mordant,
  },
  { says: ({ dyes, fibre }) => `${dyes || 'undyed'} on ${fibre}, whatever the mordant`, alike: (a, b) => a.dyes === b.dyes && a.fibre === b.fibre },
  { says: ({ dyes }) => `${dyes || 'undyed'}, whatever the fibre`, alike: (a, b) => a.dyes === b.dyes },
  { says: ({ fibre }) => `${fibre}, whatever the dyestuff`, alike: (a, b) => a.fibre === b.fibre },
  { says: () => 'everything of yours', alike: () => true },
];
/** From so many on, the nearest kind is enough. */
const ENOUGH = 2;

/** The nearest kind of which there are two results; of one alone where there are no two of anything. */
export function learnDrying(results: readonly Dried[], kind: DryingKind): Drying | null {
  const groups = LEVELS.map(({ says, alike }) => ({ of: says(kind), own: results.filter((one) => alike(one, kind)) }));
  const found = groups.find(({ own }) => own.length >= ENOUGH) ?? groups.find(({ own }) => own.length > 0);
  if (!found) return null;
  const { own, of } = found;
  const mean = (axis: keyof Lab) => own.reduce((sum, { by }) => sum + by[axis], 0) / own.length;
  const by = { l: mean('l'), a: mean('a'), b: mean('b') };
  const square = own.reduce((sum, one) => sum + (one.by.l - by.l) ** 2 + (one.by.a - by.a) ** 2 + (one.by.b - by.b) ** 2, 0);
  return { n: own.length, of, by, spread: own.length > 1 ? Math.sqrt(square / (own.length - 1)) : null };
}

const inside = (l: number): number => Math.min(100, Math.max(0, l));

/** What a wet colour may be when it is dry. */
export const dryOf = (wet: Lab, { by }: Pick<Drying, 'by'>): Lab => ({ l: inside(wet.l + by.l), a: wet.a + by.a, b: wet.b + by.b });

/** What a colour must look like wet, to end near this. */
export const wetFor = (dry: Lab, { by }: Pick<Drying, 'by'>): Lab => ({ l: inside(dry.l - by.l), a: dry.a - by.a, b: dry.b - by.b });
