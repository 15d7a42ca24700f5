import { metalJPerK, ROOM_C, shapeOf, WATER_J_PER_KG_K } from '../heat/losses';
import { mixedC, type PotModel, type PotState, runPot } from '../heat/potModel';
import { type Credit, creditHold, type Reading } from '../hold/credit';
import { countText, printDuration } from '../measure/print';
import type { Printer } from '../measure/printer';

/** What is to be held, in what. */
export interface PracticeTask {
  readonly litres: number;
  readonly vesselLitres: number;
  readonly maxW: number;
  readonly bandC: readonly [number, number];
  readonly ceilingC: number | null;
  readonly holdMin: number;
  readonly boilC: number;
}

/** A dyebath as most are: five litres on a plate of two kilowatts. */
export const USUAL_TASK = { litres: 5, vesselLitres: 8, maxW: 2000, bandC: [70, 80], ceilingC: 85, holdMin: 60 } as const;

/** A pot that somebody practises on. Nothing of it is kept anywhere. */
export interface Practice {
  readonly task: PracticeTask;
  readonly model: PotModel;
  readonly state: PotState;
  /** 0 to 10, of what the plate gives. */
  readonly knob: number;
  readonly hasLid: boolean;
  /** Simulated seconds since it was put on. */
  readonly atS: number;
  /** Every half minute, and at its end. */
  readonly readings: readonly Reading[];
  /** When it first came into its band, s. */
  readonly heldFromS: number | null;
  /** Times that somebody did something. */
  readonly acts: number;
  readonly isOver: boolean;
}

/** A plate of a kitchen follows its knob so slowly, s (our estimate; one's own pots teach theirs). */
const LAG_S = 90;
const READ_EACH_S = 30;
const KNOBS = 10;
/** Whoever never gets there is not kept for ever, s. */
const LONGEST_S = 6 * 3600;

/** The pot of a task, full, cold and with nothing under it. */
export function coldPot(task: Pick<PracticeTask, 'litres' | 'vesselLitres' | 'boilC'>): { readonly model: PotModel; readonly state: PotState } {
  const model: PotModel = {
    heatJPerK: task.litres * WATER_J_PER_KG_K + metalJPerK(task.vesselLitres),
    lossFactor: 1,
    lagS: LAG_S,
    shape: shapeOf(task.vesselLitres),
    roomC: ROOM_C,
    boilC: task.boilC,
  };
  return { model, state: { bathC: ROOM_C, heatW: 0, goneKg: 0 } };
}

/** What a plate gives at a knob of 0 to 10, W. */
export const plateW = (maxW: number, knob: number): number => (maxW * knob) / KNOBS;

export function beginPractice(task: PracticeTask): Practice {
  return { task, ...coldPot(task), knob: 0, hasLid: true, atS: 0, readings: [reading(0, ROOM_C)], heldFromS: null, acts: 0, isOver: false };
}

const reading = (atS: number, c: number): Reading => ({ atMs: atS * 1000, bathC: Math.round(c * 10) / 10 });

/** Knob or lid, as a person turns them. */
export const turned = (practice: Practice, change: Partial<Pick<Practice, 'knob' | 'hasLid'>>): Practice =>
  practice.isOver ? practice : { ...practice, ...change, acts: practice.acts + 1 };

/** Cold water from the tap goes in, and mixes at once. */
export function pouredCold(practice: Practice, litres: number): Practice {
  if (practice.isOver) return practice;
  const { model, state } = practice;
  const added = litres * WATER_J_PER_KG_K;
  return {
    ...practice,
    model: { ...model, heatJPerK: model.heatJPerK + added },
    state: { ...state, bathC: mixedC(model.heatJPerK, state.bathC, added, ROOM_C) },
    acts: practice.acts + 1,
  };
}

/** The same pot so many seconds later, read every half minute; over once its hold has had its time. @param seconds ≥ 0 */
export function later(practice: Practice, seconds: number): Practice {
  let now = practice;
  let left = seconds;
  while (left > 1e-6 && !now.isOver) {
    const step = Math.min(left, READ_EACH_S - (now.atS % READ_EACH_S) || READ_EACH_S);
    now = stepped(now, step);
    left -= step;
  }
  return now;
}

function stepped(practice: Practice, seconds: number): Practice {
  const { task, model, knob, hasLid, heldFromS } = practice;
  const state = runPot(model, practice.state, plateW(task.maxW, knob), hasLid, seconds);
  const atS = practice.atS + seconds;
  const isRead = atS % READ_EACH_S < 1e-6;
  const heldFrom = heldFromS ?? (state.bathC >= task.bandC[0] ? atS : null);
  const isOver = atS >= LONGEST_S || (heldFrom !== null && atS - heldFrom >= task.holdMin * 60);
  return {
    ...practice,
    state,
    atS,
    heldFromS: heldFrom,
    isOver,
    readings: isRead || isOver ? [...practice.readings, reading(atS, state.bathC)] : practice.readings,
  };
}

export interface Score {
  /** 0 to 100. */
  readonly points: number;
  readonly credit: Credit;
  readonly highestC: number;
  /** Until it was in its band; null: it never was. */
  readonly toBandMin: number | null;
}

/** A minute above the ceiling undoes so many in the band: what it spoils, no minute mends (our choice). */
const CEILING_COSTS_MIN = 3;

/** How well it was held, by the same credit as a real hold. */
export function scoreOf({ task, readings, heldFromS, atS }: Practice): Score {
  const rule = { bandC: task.bandC, ceilingC: task.ceilingC, maxGapMin: 2 };
  const credit = creditHold(readings, rule, (heldFromS ?? atS) * 1000, atS * 1000);
  const kept = credit.inBandMin + credit.assumedMin - CEILING_COSTS_MIN * credit.aboveCeilingMin;
  return {
    points: Math.round(Math.min(100, Math.max(0, (100 * kept) / task.holdMin))),
    credit,
    highestC: Math.max(...readings.map(({ bathC }) => bathC)),
    toBandMin: heldFromS === null ? null : heldFromS / 60,
  };
}

/** What went well, what did not, and what to try the next time. */
export function scoreText(
  { task, acts }: Practice,
  { points, credit, highestC, toBandMin }: Score,
  print: Printer,
): { readonly says: string; readonly advice: string } {
  if (toBandMin === null) return { says: 'It never came into its band.', advice: 'More heat at first, and the lid on: it keeps in what the plate gives.' };
  const inBand = `${printDuration(Math.floor(credit.inBandMin + credit.assumedMin))} of ${printDuration(task.holdMin)} in the band`;
  const above = credit.aboveCeilingMin >= 1 ? `, ${printDuration(Math.round(credit.aboveCeilingMin))} above its limit` : '';
  const says = `${points} of 100: ${inBand}${above}; ${print.temperature(highestC)} at the most, there after ${printDuration(Math.round(toBandMin))}, with ${countText(acts, 'turn')}.`;
  return { says, advice: adviceFor(task, credit, highestC) };
}

function adviceFor(task: PracticeTask, credit: Credit, highestC: number): string {
  if (credit.aboveCeilingMin >= 1 || highestC > task.bandC[1] + 3)
    return 'Turn down before it is there: the plate gives what it has stored for a minute or two more. From ten degrees below, a third of the heat is enough.';
  if (credit.overMin > credit.underMin && credit.overMin >= 2) return 'A little less, and wait: after each turn it takes minutes until the bath shows it.';
  if (credit.underMin >= 2) return 'It fell out of its band below: a lid holds it with less heat, and a small turn up in time saves a large one.';
  return 'Well held. Try it faster, with less water, or without the lid.';
}
