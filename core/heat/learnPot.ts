import type { Vessel } from '../kitchen/vessel';
import { crossing } from './crossing';
import { AT, type FittedPot, type LearntPot, type Ratio } from './fitPot';
import { lossW, metalJPerK, ROOM_C, shapeOf, WATER_J_PER_KG_K } from './losses';

/** A vessel on its heat, as its own curves taught. */
export interface KnownPot extends LearntPot {
  readonly vesselId: string;
  readonly heatSourceId: string | null;
}

/** What is known of a vessel where it stands now: on another plate it is another pot. */
export const potOn = (pots: readonly KnownPot[], vessel: Pick<Vessel, 'id' | 'heatSourceId'> | null | undefined): KnownPot | undefined =>
  pots.find(({ vesselId, heatSourceId }) => vesselId === vessel?.id && heatSourceId === vessel.heatSourceId);

/** What is kept of a fit to learn from. */
export type Curve = Pick<FittedPot, 'theta' | 'root' | 'powers'>;

/** Two curves of one pot differ by more than each of them knows: wind, weather, the hob beside it. As a natural logarithm. */
const DAYS_LN_SD = 0.08;
/** More of them make nothing surer than this. */
const LEAST_LN_SD = 0.05;

/** What several curves of one pot say together: means weighed by how sure each is, and how far they lie apart. */
export function learnPot(fits: readonly Curve[]): LearntPot | null {
  if (fits.length === 0) return null;
  const names = [...new Set(fits.flatMap(({ powers }) => powers))];
  return {
    lossFactor: together(fits.map((fit) => figureAt(fit, AT.loss))),
    lagS: together(fits.map((fit) => figureAt(fit, AT.lag))),
    powerW: Object.fromEntries(
      names.map((name) => [name, together(fits.flatMap((fit) => (fit.powers.includes(name) ? [figureAt(fit, AT.power + fit.powers.indexOf(name))] : [])))]),
    ),
    n: fits.length,
  };
}

interface Ln {
  readonly ln: number;
  readonly sd: number;
}

const figureAt = ({ theta, root }: Curve, at: number): Ln => ({
  ln: theta[at] ?? 0,
  sd: Math.sqrt((root[at] ?? []).reduce((sum, part) => sum + part * part, 0)),
});

function together(all: readonly Ln[]): Ratio {
  const weights = all.map(({ sd }) => 1 / (sd ** 2 + DAYS_LN_SD ** 2));
  const weight = weights.reduce((sum, one) => sum + one, 0);
  const ln = all.reduce((sum, one, i) => sum + one.ln * (weights[i] ?? 0), 0) / weight;
  const apart = all.length < 2 ? 0 : all.reduce((sum, one) => sum + (one.ln - ln) ** 2, 0) / (all.length - 1);
  return { middle: Math.exp(ln), lnSd: Math.max(LEAST_LN_SD, Math.sqrt(1 / weight + apart / all.length)) };
}

/** How long heating up takes, by what a pot taught, min. */
export interface RiseMin {
  readonly lowMin: number;
  readonly likelyMin: number;
  /** Null: it may never come there. */
  readonly highMin: number | null;
  /** Curves it rests on. */
  readonly n: number;
}

/** 80 of 100 lie within one standard deviation and a quarter; heat and losses are off by 0.7 of that together, as two independent figures are. */
const TAILS = 0.7 * 1.28;

/**
 * Heating up by the strongest heat that a pot was seen to have.
 * @returns null where it never comes there, or no heat of it is known
 */
export function riseMin(pot: LearntPot, vesselLitres: number, litres: number, fromC: number, toC: number, boilC: number): RiseMin | null {
  const power = Object.values(pot.powerW).toSorted((a, b) => b.middle - a.middle)[0];
  if (!power) return null;
  const at = (side: number): number | null =>
    crossing(
      {
        heatJPerK: litres * WATER_J_PER_KG_K + metalJPerK(vesselLitres),
        lossFactor: pot.lossFactor.middle * Math.exp(-side * TAILS * pot.lossFactor.lnSd),
        lagS: pot.lagS.middle,
        shape: shapeOf(vesselLitres),
        roomC: ROOM_C,
        boilC,
      },
      { bathC: fromC, heatW: 0, goneKg: 0 },
      power.middle * Math.exp(side * TAILS * power.lnSd),
      true,
      toC,
    );
  const [lowMin, likelyMin, highMin] = [at(1), at(0), at(-1)];
  return lowMin === null || likelyMin === null ? null : { lowMin, likelyMin, highMin, n: pot.n };
}

/** Where a pot comes to rest at a heat, °C: at most the boil. @param watt > 0 */
export function restsAtC({ lossFactor }: Pick<LearntPot, 'lossFactor'>, watt: number, vesselLitres: number, hasLid: boolean, boilC: number): number {
  const shape = shapeOf(vesselLitres);
  let [low, high] = [ROOM_C, boilC];
  if (lossFactor.middle * lossW(shape, hasLid, high, ROOM_C) <= watt) return boilC;
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (lossFactor.middle * lossW(shape, hasLid, middle, ROOM_C) < watt) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** A knob and what it holds, °C, as sure as its heat is known. */
export interface KnobHolds {
  readonly knob: number;
  readonly c: number;
  readonly offC: number;
}

/** What the knobs of a pot that were seen hold, lowest first; what only boils holds nothing in particular. */
export function knobsHold(pot: LearntPot, vesselLitres: number, hasLid: boolean, boilC: number): KnobHolds[] {
  return Object.entries(pot.powerW)
    .flatMap(([name, { middle, lnSd }]): KnobHolds[] => {
      const knob = Number(/^knob ([\d.]+)$/.exec(name)?.[1] ?? Number.NaN);
      const at = (watt: number) => restsAtC(pot, watt, vesselLitres, hasLid, boilC);
      const c = at(middle);
      return Number.isNaN(knob) || c >= boilC - 1 ? [] : [{ knob, c, offC: (at(middle * Math.exp(lnSd)) - at(middle * Math.exp(-lnSd))) / 2 }];
    })
    .toSorted((a, b) => a.knob - b.knob);
}
