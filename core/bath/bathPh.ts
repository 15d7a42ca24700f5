import { type Ions, ionsOf, molOf, movesPh, usualStrength } from '../chem/freed';
import { phOfSolution } from '../chem/ph';
import { ANY_TAP, ANY_TAP_PH, waterOf } from '../chem/water';
import type { Content } from '../safety/facts';

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

/** What a substance sets free, mol/L; null when its amount is unknown, undefined when it has no part in it. */
function ionsIn({ substance, gPerL, mL, strengthPct }: Content, bathL: number): Ions | null | undefined {
  if (!movesPh(substance)) return undefined;
  const usual = usualStrength(substance);
  // Ammonia comes in any strength: without its label nothing is claimed. Vinegar and lemon juice are as they mostly are.
  const strength = strengthPct ?? (substance === 'ammonia' ? null : (usual?.usual ?? 0));
  const amount = usual ? mL : gPerL === null ? null : gPerL * bathL;
  if (amount === null || strength === null) return null;
  return ionsOf(substance, (molOf(substance, amount, strength, bathL) ?? 0) / bathL);
}

/**
 * The pH a bath settles near, by what is known to be in it; null when nothing in it decides it, or when sour and alkaline
 * things of unknown amounts are both in. Plant matter, metal salts and the dyer's own water move it: a strip knows better.
 * @param alkalinityMgL of the home's water, as CaCO3; any tap where nobody asked
 */
export function bathPh(contents: readonly Content[], bathMl: number | null, alkalinityMgL = ANY_TAP.likely, tapPh = ANY_TAP_PH.likely): number | null {
  const acting = contents.filter((content) => AT_WORST[content.substance] !== undefined);
  if (acting.length === 0) return null;
  const bathL = bathMl === null || bathMl <= 0 ? null : bathMl / 1000;
  const all = bathL === null ? [null] : acting.map((content) => ionsIn(content, bathL));
  if (all.some((ions) => ions === null) || all.every((ions) => ions === undefined)) return atWorst(acting);
  const tap = waterOf(alkalinityMgL, tapPh);
  const weak: Record<string, number> = { ...tap.weak };
  let { monovalent, divalent } = tap;
  let chalk = 0;
  for (const ions of all) {
    if (ions?.weak) weak[ions.weak[0]] = (weak[ions.weak[0]] ?? 0) + ions.weak[1];
    monovalent += ions?.monovalent ?? 0;
    divalent += ions?.divalent ?? 0;
    chalk += ions?.chalk ?? 0;
  }
  return phOfSolution({ weak, monovalent, divalent, chalk });
}

function atWorst(contents: readonly Content[]): number | null {
  const near = contents.flatMap((content) => AT_WORST[content.substance] ?? []);
  const alkaline = near.some((ph) => ph > 7);
  if (alkaline && near.some((ph) => ph < 7)) return null;
  return alkaline ? Math.max(...near) : Math.min(...near);
}
