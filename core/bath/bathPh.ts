import { molarMass } from '../chem/molarMass';
import { phOfSolution, type Solution, type WeakAcidId } from '../chem/ph';
import type { Content } from '../safety/facts';

/**
 * Tap water where nobody measured it: 100 mg/L alkalinity as calcium carbonate at pH 8.0 (check values D4). Middling; our
 * estimate.
 */
const TAP: Solution = { weak: { carbonic: 0.002028 }, monovalent: 0, divalent: 0.000999 };
/** What dissolves at most, mol/L: slaked lime (pKsp 5.2), cream of tartar (check values D1, D2). */
const LIME_MOST = 0.0215;
const TARTAR_MOST = 0.0341;
/** Citric acid in lemon juice, g/100 mL: from memory. */
const LEMON_PCT = 5;

/** pH where the amount is unknown: as strong as such a bath usually gets (trade handbook section 11, uncertain; acids D2). */
const AT_WORST: Readonly<Record<string, number>> = {
  bakingSoda: 8.3,
  chalk: 9,
  washingSoda: 11,
  sodaAsh: 11,
  ammonia: 11,
  slakedLime: 12.4,
  lye: 13,
  citricAcid: 2.4,
  vinegar: 2.9,
  creamOfTartar: 3.6,
  lemonJuice: 2.4,
};

interface Ions {
  readonly weak?: readonly [WeakAcidId, number];
  readonly monovalent?: number;
  readonly divalent?: number;
}

/** What a substance sets free, mol/L; null when its amount is unknown, undefined when it has no part in it. */
function ionsOf(content: Content, bathL: number): Ions | null | undefined {
  const { substance, gPerL, mL, strengthPct } = content;
  const mol = (formula: string): number | null => (gPerL === null ? null : gPerL / molarMass(formula));
  const liquid = (pct: number | null, formula: string): number | null => (mL === null || pct === null ? null : (mL * pct) / 100 / molarMass(formula) / bathL);
  const ions = (c: number | null, make: (c: number) => Ions): Ions | null => (c === null ? null : make(c));
  switch (substance) {
    case 'sodaAsh':
      return ions(mol('Na2CO3'), (c) => ({ weak: ['carbonic', c], monovalent: 2 * c }));
    case 'washingSoda':
      return ions(mol('Na2CO3·10H2O'), (c) => ({ weak: ['carbonic', c], monovalent: 2 * c }));
    case 'bakingSoda':
      return ions(mol('NaHCO3'), (c) => ({ weak: ['carbonic', c], monovalent: c }));
    case 'slakedLime':
      return ions(mol('Ca(OH)2'), (c) => ({ divalent: Math.min(c, LIME_MOST) }));
    case 'lye':
      return ions(mol('NaOH'), (c) => ({ monovalent: c }));
    case 'ammonia':
      return ions(liquid(strengthPct, 'NH3'), (c) => ({ weak: ['ammonium', c] }));
    case 'vinegar':
      return ions(liquid(strengthPct ?? 5, 'CH3COOH'), (c) => ({ weak: ['acetic', c] }));
    case 'lemonJuice':
      return ions(liquid(LEMON_PCT, 'C6H8O7'), (c) => ({ weak: ['citric', c] }));
    case 'citricAcid':
      return ions(mol('C6H8O7'), (c) => ({ weak: ['citric', c] }));
    case 'creamOfTartar':
      return ions(mol('KHC4H4O6'), (c) => ({ weak: ['tartaric', Math.min(c, TARTAR_MOST)], monovalent: Math.min(c, TARTAR_MOST) }));
    default:
      return undefined;
  }
}

/**
 * The pH a bath settles near, by what is known to be in it; null when nothing in it decides it, or when sour and alkaline
 * things of unknown amounts are both in. Plant matter, metal salts and the dyer's own water move it: a strip knows better.
 */
export function bathPh(contents: readonly Content[], bathMl: number | null): number | null {
  const acting = contents.filter((content) => AT_WORST[content.substance] !== undefined);
  if (acting.length === 0) return null;
  const bathL = bathMl === null || bathMl <= 0 ? null : bathMl / 1000;
  const all = bathL === null ? [null] : acting.map((content) => ionsOf(content, bathL));
  if (all.some((ions) => ions === null) || all.every((ions) => ions === undefined)) return atWorst(acting);
  const weak: Record<string, number> = { ...TAP.weak };
  let { monovalent, divalent } = TAP;
  for (const ions of all) {
    if (ions?.weak) weak[ions.weak[0]] = (weak[ions.weak[0]] ?? 0) + ions.weak[1];
    monovalent += ions?.monovalent ?? 0;
    divalent += ions?.divalent ?? 0;
  }
  return phOfSolution({ weak, monovalent, divalent });
}

function atWorst(contents: readonly Content[]): number | null {
  const near = contents.flatMap((content) => AT_WORST[content.substance] ?? []);
  const alkaline = near.some((ph) => ph > 7);
  if (alkaline && near.some((ph) => ph < 7)) return null;
  return alkaline ? Math.max(...near) : Math.min(...near);
}
