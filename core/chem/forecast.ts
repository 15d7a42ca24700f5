import { above } from '../measure/limits';
import type { Band } from './band';
import { corners } from './band';
import { type Constants, constantsAt, type WeakAcidId } from './constants';
import { ionsOf, isLiquid, isMetal, isSlow, molOf } from './freed';
import { AIR_CO2_ATM, type BufferGroup, cleared, type Equilibrium, equilibrium, lostShare, missingAt, phOfSolution, type Solution } from './ph';
import { ANY_TAP_PH, waterOf } from './water';
import { fallsThroughZero } from './zero';

/** A bath before something goes in. */
export interface BathNow {
  readonly volumeMl: Band;
  readonly alkalinityMgL: Band;
  /** Of the water at the tap; missing: any tap's. */
  readonly tapPh?: Band | undefined;
  /** Of the bath, at which its pH is asked for. */
  readonly tempC: number;
  /** As a strip or meter says; null: what the water gives. */
  readonly measuredPh: number | null;
  /** Learnt: what plant matter gives and takes; empty where nothing is known of it. */
  readonly buffer: readonly BufferGroup[];
}

/** Something that goes in: g of a powder, mL of a liquid with its strength in g per 100 mL. */
export interface Addition {
  readonly substance: string;
  readonly amount: Band;
  readonly strengthPct: Band;
}

export type PhForecast =
  | {
      readonly ok: true;
      readonly ph: Band;
      /** Stronger than the activities are trusted: the figure is rough. */
      readonly rough: boolean;
    }
  | { readonly ok: false; readonly why: string };

interface Exact {
  readonly volumeMl: number;
  readonly alkalinityMgL: number;
  readonly tapPh: number;
}

const exactOf = ({ volumeMl, alkalinityMgL, tapPh = ANY_TAP_PH }: Pick<BathNow, 'volumeMl' | 'alkalinityMgL' | 'tapPh'>): Exact => ({
  volumeMl: volumeMl.likely,
  alkalinityMgL: alkalinityMgL.likely,
  tapPh: tapPh.likely,
});

/** The bath as a solution that has the measured pH, if there is one. */
function solutionNow(exact: Exact, bath: BathNow, constants: Constants): Solution {
  const water = waterOf(exact.alkalinityMgL, exact.tapPh);
  const { measuredPh, buffer: groups } = bath;
  const fromPh = measuredPh ?? phOfSolution(water, constants);
  const buffer = groups.length > 0 && Number.isFinite(fromPh) ? { buffer: { groups, fromPh } } : {};
  if (measuredPh === null) return { ...water, ...buffer };
  // Whatever made it so acts as a strong acid or alkali until more is known.
  return { ...water, monovalent: missingAt(measuredPh, water, constants), ...buffer };
}

/** Poured into a bath: what was there is thinned by the volume of a liquid. */
function withAdded(
  solution: Solution,
  volumeMl: number,
  added: readonly { readonly substance: string; readonly amount: number; readonly strengthPct: number }[],
  tempC: number,
): Solution {
  const liquidMl = added.reduce((sum, { substance, amount }) => sum + (isLiquid(substance) ? amount : 0), 0);
  const totalL = (volumeMl + liquidMl) / 1000;
  const share = volumeMl / (volumeMl + liquidMl);
  const weak: Record<string, number> = Object.fromEntries(Object.entries(solution.weak).map(([id, c]) => [id, c * share]));
  let [monovalent, divalent, chalk] = [solution.monovalent * share, solution.divalent * share, (solution.chalk ?? 0) * share];
  for (const { substance, amount, strengthPct } of added) {
    const mol = molOf(substance, amount, strengthPct, totalL, tempC);
    const ions = mol === null ? null : ionsOf(substance, mol);
    if (!ions) continue;
    if (ions.weak) weak[ions.weak[0]] = (weak[ions.weak[0]] ?? 0) + ions.weak[1] / totalL;
    monovalent += (ions.monovalent ?? 0) / totalL;
    divalent += (ions.divalent ?? 0) / totalL;
    chalk += (ions.chalk ?? 0) / totalL;
  }
  return { weak, monovalent, divalent, ...(chalk > 0 ? { chalk } : {}), ...(solution.buffer ? { buffer: thinned(solution.buffer, share) } : {}) };
}

const thinned = ({ groups, fromPh }: NonNullable<Solution['buffer']>, share: number): NonNullable<Solution['buffer']> => ({
  fromPh,
  groups: groups.map(({ pKa, eqPerL }) => ({ pKa, eqPerL: eqPerL * share })),
});

/**
 * The pH that a bath comes to: most likely, and from where to where by what is not known exactly: volume, spoon, strength, water, whether
 * its carbonic acid stays in or goes to the air, and whether chalk comes down at once or not yet.
 */
export function forecast(bath: BathNow, added: readonly Addition[]): PhForecast {
  const metal = added.find(({ substance }) => isMetal(substance));
  if (metal) return { ok: false, why: 'Metal salts take water apart: alum alone gives about 3 to 4.3, iron less sour. A strip tells; no sum does.' };
  const constants = constantsAt(bath.tempC);
  const bands: Record<string, Band> = { volumeMl: bath.volumeMl, alkalinityMgL: bath.alkalinityMgL, tapPh: bath.tapPh ?? ANY_TAP_PH };
  added.forEach((one, i) => {
    bands[`amount${i}`] = one.amount;
    bands[`strength${i}`] = one.strengthPct;
  });
  const solutionAt = (exact: Record<string, number>): Solution => {
    const own: Exact = { volumeMl: exact.volumeMl ?? 0, alkalinityMgL: exact.alkalinityMgL ?? 0, tapPh: exact.tapPh ?? ANY_TAP_PH.likely };
    return withAdded(
      solutionNow(own, bath, constants),
      own.volumeMl,
      added.map(({ substance }, i) => ({ substance, amount: exact[`amount${i}`] ?? 0, strengthPct: exact[`strength${i}`] ?? 0 })),
      bath.tempC,
    );
  };
  const at = (exact: Record<string, number>, isOpen: boolean) =>
    equilibrium(isOpen ? { ...solutionAt(exact), airCo2Atm: AIR_CO2_ATM } : solutionAt(exact), constants);
  if (bath.volumeMl.low <= 0) return { ok: false, why: 'Say how much is in the bath.' };
  const middle = Object.fromEntries(Object.entries(bands).map(([key, { likely }]) => [key, likely]));
  const likely = at(middle, false);
  if (!likely.ok) return likely;
  const all = corners(bands);
  const ends = all.map((exact) => at(exact, false));
  // Chalk comes down slowly or at once: both ends are told. What was measured has told already how it stands.
  if (bath.measuredPh === null || added.length > 0)
    for (const exact of [middle, ...outermost(all, ends)]) {
      const solution = solutionAt(exact);
      const clear = cleared(solution, constants);
      if (clear !== solution) ends.push(equilibrium(clear, constants));
    }
  // Hard water that turned sour loses its carbonic acid to the air, which lifts it. What is alkaline takes days to take any up; and what was
  // measured has the air’s share in its figure already.
  const aired = bath.measuredPh === null ? at(middle, true) : null;
  if (aired?.ok && aired.ph > likely.ph) ends.push(aired);
  // Before it has dissolved it has done nothing.
  const slow = added.flatMap(({ substance }, i) => (isSlow(substance) ? [`amount${i}`] : []));
  if (slow.length > 0) ends.push(at({ ...middle, ...Object.fromEntries(slow.map((key) => [key, 0])) }, false));
  const failed = ends.find((end) => !end.ok);
  if (failed && !failed.ok) return failed;
  const phs = ends.flatMap((end) => (end.ok ? [end.ph] : []));
  return {
    ok: true,
    ph: { low: Math.min(likely.ph, ...phs), likely: likely.ph, high: Math.max(likely.ph, ...phs) },
    rough: ends.some((end) => end.ok && end.tooStrong) || likely.tooStrong,
  };
}

/** Those that came out lowest and highest. */
function outermost<T>(all: readonly T[], ends: readonly Equilibrium[]): T[] {
  const phs = ends.map((end) => (end.ok ? end.ph : 7));
  return [phs.indexOf(Math.min(...phs)), phs.indexOf(Math.max(...phs))].flatMap((at) => all[at] ?? []);
}

/** So much of a substance in a bath is more than anybody pours: g or mL a litre. */
const MOST_PER_L = 500;

/**
 * How much of a substance brings a bath to a pH: most likely, and from where to where.
 * @returns g of a powder, mL of a liquid; or why it cannot
 */
export function doseFor(
  bath: BathNow,
  what: Pick<Addition, 'substance' | 'strengthPct'>,
  targetPh: number,
): { readonly ok: true; readonly amount: Band } | { readonly ok: false; readonly why: string } {
  const { low: lowMl, likely: likelyMl } = bath.volumeMl;
  if (lowMl <= 0) return { ok: false, why: 'Say how much is in the bath.' };
  const constants = constantsAt(bath.tempC);
  const need = (volumeMl: number, alkalinityMgL: number, strengthPct: number): number | string => {
    const now = solutionNow({ ...exactOf(bath), volumeMl, alkalinityMgL }, bath, constants);
    const phWith = (amount: number): number =>
      phOfSolution(withAdded(now, volumeMl, [{ substance: what.substance, amount, strengthPct }], bath.tempC), constants);
    const most = (MOST_PER_L * volumeMl) / 1000;
    const [from, to] = [phWith(0), phWith(most)];
    if (!Number.isFinite(from) || !Number.isFinite(to)) return 'The sum did not settle.';
    const falls = to < from;
    if (falls ? targetPh > from : targetPh < from) return `It only goes ${falls ? 'down' : 'up'} from pH ${from.toFixed(1)}.`;
    if (falls ? targetPh < to : targetPh > to) return `With this alone it gets no further than pH ${to.toFixed(1)}.`;
    // By the logarithm of the amount, since a drop and a jug lie far apart.
    const off = (log: number) => (phWith(10 ** log) - targetPh) * (falls ? 1 : -1);
    return 10 ** fallsThroughZero(off, Math.log10(most) - 9, Math.log10(most), 1e-7);
  };
  const likely = need(likelyMl, bath.alkalinityMgL.likely, what.strengthPct.likely);
  if (typeof likely === 'string') return { ok: false, why: likely };
  const all = corners({ volume: bath.volumeMl, alkalinity: bath.alkalinityMgL, strength: what.strengthPct }).map(({ volume, alkalinity, strength }) =>
    need(volume, alkalinity, strength),
  );
  const figures = all.flatMap((one) => (typeof one === 'number' ? [one] : []));
  // Soft water may be there already: then nothing is needed.
  const least = figures.length < all.length ? 0 : Math.min(...figures);
  return { ok: true, amount: { low: Math.min(least, likely), likely, high: Math.max(likely, ...figures) } };
}

/** More water than this makes another bath of it, times its volume. */
const MOST_WATER = 20;

/** How much more of the same water brings a bath to a pH, mL; null where no water does. */
export function dilutionFor(bath: BathNow, targetPh: number): number | null {
  const constants = constantsAt(bath.tempC);
  const exact = exactOf(bath);
  if (exact.volumeMl <= 0) return null;
  const now = solutionNow(exact, bath, constants);
  const water = waterOf(exact.alkalinityMgL, exact.tapPh);
  const phWith = (waterMl: number): number => {
    const share = exact.volumeMl / (exact.volumeMl + waterMl);
    const weak: Partial<Record<WeakAcidId, number>> = {};
    for (const id of new Set([...Object.keys(now.weak), ...Object.keys(water.weak)] as WeakAcidId[]))
      weak[id] = (now.weak[id] ?? 0) * share + (water.weak[id] ?? 0) * (1 - share);
    return phOfSolution(
      {
        weak,
        monovalent: now.monovalent * share + water.monovalent * (1 - share),
        divalent: now.divalent * share + water.divalent * (1 - share),
        ...(now.buffer ? { buffer: thinned(now.buffer, share) } : {}),
      },
      constants,
    );
  };
  const [from, to] = [phWith(0), phWith(MOST_WATER * exact.volumeMl)];
  if (!Number.isFinite(from) || !Number.isFinite(to) || from === to) return null;
  const falls = to < from;
  if (falls ? targetPh < to || targetPh > from : targetPh > to || targetPh < from) return null;
  const most = Math.log10(MOST_WATER * exact.volumeMl);
  return 10 ** fallsThroughZero((log) => (phWith(10 ** log) - targetPh) * (falls ? 1 : -1), most - 6, most, 1e-6);
}

/** The first is half, each after it half of what is left, the last the rest: stir, read, next. */
export function inSteps(amount: number, steps = 4): number[] {
  const parts = Array.from({ length: steps - 1 }, (_, i) => amount / 2 ** (i + 1));
  return [...parts, amount - parts.reduce((sum, part) => sum + part, 0)];
}

/** Where each amount of it would take the bath. @returns points from nothing to `most`, for drawing */
export function phCurve(
  bath: BathNow,
  what: Pick<Addition, 'substance' | 'strengthPct'>,
  most: number,
  points = 60,
): { readonly amount: number; readonly ph: number }[] {
  const constants = constantsAt(bath.tempC);
  const exact = exactOf(bath);
  const now = solutionNow(exact, bath, constants);
  return Array.from({ length: points + 1 }, (_, i) => {
    const amount = (most * i) / points;
    return {
      amount,
      ph: phOfSolution(withAdded(now, exact.volumeMl, [{ substance: what.substance, amount, strengthPct: what.strengthPct.likely }], bath.tempC), constants),
    };
  }).filter(({ ph }) => Number.isFinite(ph));
}

/** A strip before and after something known went in. */
export interface Learnt {
  readonly phBefore: number;
  readonly phAfter: number;
  readonly added: readonly { readonly substance: string; readonly amount: number; readonly strengthPct: number }[];
}

/** Carboxyl groups, what gives its second proton, and phenols: what plants buffer with (pKa from memory; they only shape the curve). */
const PLANT_PKA = [4.2, 6.2, 9.5];
/** Below so little of a group’s turn nothing is learnt of it. */
const LEAST_TURN = 0.02;

/**
 * What the bath itself gives and takes (plant matter buffers; no table knows it): groups of three pKa in such amounts that they best explain
 * the charge which the known part leaves over; none is less than nothing (least squares, one group after another).
 */
export function learnBuffer(bath: Omit<BathNow, 'buffer' | 'measuredPh'>, readings: readonly Learnt[]): BufferGroup[] {
  const constants = constantsAt(bath.tempC);
  const exact = exactOf(bath);
  // How much of a slow thing had dissolved at the strip nobody knows.
  const sure = readings.filter(({ added }) => !added.some(({ substance }) => isSlow(substance)));
  const left = sure.map(({ phBefore, phAfter, added }) => {
    const before = solutionNow(exact, { ...bath, measuredPh: phBefore, buffer: [] }, constants);
    return -missingAt(phAfter, withAdded(before, exact.volumeMl, added, bath.tempC), constants);
  });
  const turned = sure.map(({ phBefore, phAfter }) => PLANT_PKA.map((pKa) => lostShare(pKa, phAfter) - lostShare(pKa, phBefore)));
  const amounts = PLANT_PKA.map(() => 0);
  const told = PLANT_PKA.map((_, j) => turned.some((row) => Math.abs(row[j] ?? 0) >= LEAST_TURN));
  for (let round = 0; round < 400; round++)
    for (let j = 0; j < amounts.length; j++) {
      if (!told[j]) continue;
      let [over, under] = [0, 0];
      turned.forEach((row, n) => {
        const others = row.reduce((sum, turn, i) => sum + (i === j ? 0 : turn * (amounts[i] ?? 0)), 0);
        over += (row[j] ?? 0) * ((left[n] ?? 0) - others);
        under += (row[j] ?? 0) ** 2;
      });
      amounts[j] = Math.max(0, over / under);
    }
  return PLANT_PKA.flatMap((pKa, j) => ((amounts[j] ?? 0) > 0 ? [{ pKa, eqPerL: amounts[j] ?? 0 }] : []));
}

/** A strip further from the sum than this is questioned, not believed and not refused. */
const ODD_PH = 1.5;

/**
 * Whether a strip says what the chemistry cannot give: further on than what went in can bring the bath, or back from where it stood. Plant
 * matter holds a bath back, so that anything between the two is no wonder.
 * @param stood before  @param comes by the sum
 */
export function isOddStrip(stood: Band, comes: Band, ph: number): boolean {
  return above(ph, Math.max(stood.high, comes.high) + ODD_PH) || above(Math.min(stood.low, comes.low) - ODD_PH, ph);
}
