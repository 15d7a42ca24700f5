import { AT_25C, type Constants, WEAK_ACIDS, type WeakAcidId } from './constants';
import { fallsThroughZero } from './zero';

/**
 * pH of a dilute solution: charge balance with mass balance and Davies activities, up to an ionic strength of about 0.5. pH is −log of the
 * hydrogen ion’s activity. Ion pairs are left out (check values D2: a sodium carbonate pair makes the buffer worse), and so are metals that
 * hydrolyse: a computed pH of alum is wrong by half a unit and more. Chalk dissolves up to the solubility product of calcite.
 */

export interface Solution {
  /** mol/L of each weak acid with all its forms together. */
  readonly weak: Readonly<Partial<Record<WeakAcidId, number>>>;
  /** mol/L of ions that keep their charge: sodium and potassium, calcium. Less than nothing is that much chloride. */
  readonly monovalent: number;
  readonly divalent: number;
  /** mol/L of chalk that lies in it: as much of it dissolves as there is room for, none comes down. Missing: none. */
  readonly chalk?: number;
  /** Open to the air at so many atm of CO2: its carbonic acid is what the air gives. Missing: closed. */
  readonly airCo2Atm?: number;
  /** What no table knows, such as plant matter: groups that give and take protons, told from the pH at which the bath was found. */
  readonly buffer?: { readonly groups: readonly BufferGroup[]; readonly fromPh: number };
}

/** So much of a group that holds its proton below its pKa. */
export interface BufferGroup {
  readonly pKa: number;
  readonly eqPerL: number;
}

/** Share that has let its proton go, 0 to 1. */
export const lostShare = (pKa: number, ph: number): number => 1 / (1 + 10 ** (pKa - ph));

/** Ground level today. */
export const AIR_CO2_ATM = 4.2e-4;
/** Davies is trusted up to here. */
export const MOST_IONIC = 0.5;

export type Equilibrium =
  | {
      readonly ok: true;
      readonly ph: number;
      /** mol/L. */
      readonly ionic: number;
      /** What is left of the charge balance, eq/L. */
      readonly residual: number;
      /** The solution is stronger than the activities are trusted. */
      readonly tooStrong: boolean;
    }
  | { readonly ok: false; readonly why: string };

/** Davies: log γ = −A z² (√I/(1+√I) − 0.3 I). */
const activity = (charge: number, ionic: number, debyeA: number): number => {
  const root = Math.sqrt(ionic);
  return 10 ** (-debyeA * charge * charge * (root / (1 + root) - 0.3 * ionic));
};

interface Acid {
  readonly id: WeakAcidId;
  readonly total: number;
  readonly charge: number;
  /** Activity quotients of each form to the fully protonated one, without the power of the proton. */
  readonly k: readonly number[];
  /** mol/L of the first form where the air holds it; null where the total is held. */
  readonly held: number | null;
}

/** What of a solution does not change with its pH: worked out once for all trials. */
function acidsOf(solution: Solution, constants: Constants): Acid[] {
  const acids = Object.entries(solution.weak) as [WeakAcidId, number][];
  if (solution.airCo2Atm !== undefined && !acids.some(([id]) => id === 'carbonic')) acids.push(['carbonic', 0]);
  return acids.map(([id, total]) => {
    const steps = constants.pKa[id];
    const k = [0, ...steps.map((_, i) => i + 1)].map((lost) => 10 ** -steps.slice(0, lost).reduce((sum, pKa) => sum + pKa, 0));
    const held = id === 'carbonic' && solution.airCo2Atm !== undefined ? 10 ** constants.logKh * solution.airCo2Atm : null;
    return { id, total, charge: WEAK_ACIDS[id].charge, k, held };
  });
}

interface Balance {
  /** Sum of charges, eq/L: 0 at the pH that the solution has; it falls as the pH rises. */
  readonly charge: number;
  readonly ionic: number;
}

/** @param gamma of charges 0 to 3 */
function balanceAt(ph: number, solution: Solution, acids: readonly Acid[], pKw: number, gamma: readonly number[]): Balance {
  const hydrogen = 10 ** -ph;
  const one = gamma[1] ?? 1;
  const h = hydrogen / one;
  const oh = 10 ** (ph - pKw) / one;
  let charge = solution.monovalent + 2 * solution.divalent + h - oh;
  let squares = Math.abs(solution.monovalent) + 4 * solution.divalent + h + oh;
  for (const { total, charge: first, k, held } of acids) {
    const ofFirst = gamma[first] ?? 1;
    let [sum, charged, squared, power] = [0, 0, 0, 1];
    for (let lost = 0; lost < k.length; lost++) {
      const z = first - lost;
      const form = ((k[lost] ?? 0) * ofFirst * power) / (gamma[Math.abs(z)] ?? 1);
      sum += form;
      charged += z * form;
      squared += z * z * form;
      power /= hydrogen;
    }
    const share = held === null ? total / sum : held;
    charge += charged * share;
    squares += squared * share;
  }
  const { buffer } = solution;
  if (buffer) for (const { pKa, eqPerL } of buffer.groups) charge -= eqPerL * (lostShare(pKa, ph) - lostShare(pKa, buffer.fromPh));
  return { charge, ionic: squares / 2 };
}

const [LOWEST, HIGHEST] = [-1, 15];
const MOST_ROUNDS = 60;

/** Where the charges cancel at one ionic strength. */
function neutralAt(charge: (ph: number) => number, near: number, about: number, within: number): number {
  const [low, high] = [Math.max(LOWEST, near - about), Math.min(HIGHEST, near + about)];
  return fallsThroughZero(charge, charge(low) > 0 ? low : LOWEST, charge(high) < 0 ? high : HIGHEST, within);
}

/** The pH that a solution comes to. Concentrations in mol/L; below 0 or not a number is refused. */
export function equilibrium(solution: Solution, constants: Constants = AT_25C): Equilibrium {
  const amounts = [...Object.values(solution.weak), solution.divalent, solution.airCo2Atm ?? 0, solution.chalk ?? 0];
  if (![...amounts, solution.monovalent].every(Number.isFinite) || amounts.some((amount) => amount < 0))
    return { ok: false, why: 'An amount in it is not a number above 0.' };
  if (solution.chalk) return equilibrium(withChalk(solution, solution.chalk, constants), constants);
  const acids = acidsOf(solution, constants);
  let [ionic, ph, about] = [0, 7, 8];
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const gamma = [0, 1, 2, 3].map((z) => activity(z, ionic, constants.debyeA));
    const charge = (at: number): number => balanceAt(at, solution, acids, constants.pKw, gamma).charge;
    // Roughly at first: what the ions do to it moves it more.
    const within = Math.max(1e-9, about * 1e-4);
    const before = ph;
    ph = neutralAt(charge, before, about, within);
    const { ionic: found } = balanceAt(ph, solution, acids, constants.pKw, gamma);
    const next = Math.min(MOST_IONIC, found);
    if (round > 0 && Math.abs(next - ionic) < 1e-9) {
      ph = neutralAt(charge, ph, 1e-6, 1e-14);
      if (ph <= LOWEST || ph >= HIGHEST) return { ok: false, why: 'It is too strong to be worked out.' };
      return { ok: true, ph, ionic: found, residual: charge(ph), tooStrong: found > MOST_IONIC };
    }
    about = Math.max(1e-6, 4 * Math.abs(ph - before));
    ionic = next;
  }
  return { ok: false, why: 'The sum did not settle. Nothing is claimed of its pH.' };
}

/** How far calcium and carbonate are from coming down as chalk, log10: 0 when it can take no more. NaN where it cannot be worked out. */
function fullness(solution: Solution, constants: Constants): number {
  const found = equilibrium(solution, constants);
  if (!found.ok) return Number.NaN;
  const hydrogen = 10 ** -found.ph;
  const ionic = Math.min(MOST_IONIC, found.ionic);
  const carbonic = acidsOf(solution, constants).find(({ id }) => id === 'carbonic');
  if (!carbonic) return Number.NEGATIVE_INFINITY;
  const [, k1 = 0, k2 = 0] = carbonic.k;
  const [one, two] = [activity(1, ionic, constants.debyeA), activity(2, ionic, constants.debyeA)];
  // Of the form without a charge, whose activity is its concentration.
  const bare = carbonic.held ?? carbonic.total / (1 + k1 / (one * hydrogen) + k2 / (two * hydrogen ** 2));
  return Math.log10(two * solution.divalent) + Math.log10((bare * k2) / hydrogen ** 2) - constants.logKcalcite;
}

/** Of so little dissolved chalk nobody speaks, mol/L. */
const LEAST_CHALK = 1e-9;

/** The solution with as much chalk in it as dissolves in the end. */
function withChalk({ chalk: _, ...solution }: Solution, most: number, constants: Constants): Solution {
  const dissolved = (mol: number): Solution => ({
    ...solution,
    weak: { ...solution.weak, carbonic: (solution.weak.carbonic ?? 0) + mol },
    divalent: solution.divalent + mol,
  });
  const room = (log: number): number => -fullness(dissolved(10 ** log), constants);
  const [from, to] = [Math.log10(LEAST_CHALK), Math.log10(Math.max(most, LEAST_CHALK))];
  return dissolved(10 ** fallsThroughZero(room, from, to, 1e-6));
}

/**
 * The solution after as much chalk has come down as has to: hard water that turned alkaline clears of it within minutes when it is hot, and
 * may hold it for days when it is cold. The same solution where it is not too full of it.
 */
export function cleared(solution: Solution, constants: Constants = AT_25C): Solution {
  const { weak, divalent, chalk } = solution;
  const carbonic = weak.carbonic ?? 0;
  // What the air holds comes in again for what went down.
  const most = solution.airCo2Atm === undefined ? Math.min(divalent, carbonic) : divalent;
  if (chalk || most <= LEAST_CHALK || !(fullness(solution, constants) > 0)) return solution;
  const without = (mol: number): Solution => ({ ...solution, weak: { ...weak, carbonic: Math.max(0, carbonic - mol) }, divalent: divalent - mol });
  const over = (mol: number): number => fullness(without(mol), constants);
  const end = most * (1 - 1e-9);
  return over(end) > 0 ? without(end) : without(fallsThroughZero(over, 0, end, most * 1e-4));
}

/** The same where only the figure is wanted; NaN where it cannot be worked out. */
export function phOfSolution(solution: Solution, constants?: Constants): number {
  const found = equilibrium(solution, constants);
  return found.ok ? found.ph : Number.NaN;
}

/** The charge that is missing at a pH, eq/L: as much strong alkali (above 0) or acid (below) brings it there. */
export function missingAt(ph: number, solution: Solution, constants: Constants = AT_25C): number {
  const acids = acidsOf(solution, constants);
  let ionic = 0;
  let balance: Balance = { charge: 0, ionic: 0 };
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const gamma = [0, 1, 2, 3].map((z) => activity(z, ionic, constants.debyeA));
    balance = balanceAt(ph, solution, acids, constants.pKw, gamma);
    // What is missing counts as ions once it is there.
    const next = Math.min(MOST_IONIC, balance.ionic + Math.abs(balance.charge) / 2);
    if (Math.abs(next - ionic) < 1e-9) break;
    ionic = next;
  }
  return -balance.charge;
}
