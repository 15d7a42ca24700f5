import { amountUnitOf } from '@/core/dose/parseAmount';
import { asGuessed, measured, UNKNOWN } from '@/core/figure';
import type { Measures } from '@/core/measure/measures';
import type { AmountUnit } from '@/core/measure/print';
import { printer } from '@/core/measure/printer';
import type { PlanStep } from '@/core/plan/plan';
import { substanceByName } from '@/core/run/additionFindings';
import { HIGHEST_KNOB, type RunFact, TIGHTNESSES } from '@/core/run/events';
import { type Quantity, readingText, type SaidReading } from '@/core/run/saidAs';
import type { Shelf } from '@/core/shelf/lookup';
import { amountReader, massReader, numberReader, type Reader, saidReader, temperatureReader, typedValue, volumeReader } from '../form/typed';
import type { AskFor } from './acts';

/** What is typed into the small form of an act. */
export interface AskValues {
  readonly text: string;
  /** How sure of an amount, or which lot, or which vessel. */
  readonly choice: string;
  /** Which addition; "other" for one that was not planned. */
  readonly what: string;
  readonly other: string;
  /** "now", minutes back, or "at" for the moment typed beside it. */
  readonly ago: string;
  readonly atMs: number | null;
  /** The same of all pots in use. */
  readonly all: boolean;
}

/** Grams per millilitre of a powder, least and most: by the dyer's own spoon where it was weighed once. */
export type BulkOf = (substance: string) => readonly [number, number] | null;

/** More water than the plan knows of. */
export const TOP_UP = 'topUp';
export const AGO = ['now', '2', '5', '10', '30', 'at'] as const;

/** Unit of an addition: as planned, else as it is typed. Spoons of a powder whose weight is known are grams. */
export function additionUnit(step: PlanStep, values: Pick<AskValues, 'what' | 'text' | 'other'>, shelf: Shelf, measures: Measures): AmountUnit {
  const { what, text } = values;
  const planned = step.additions.find((a) => a.id === what)?.unit;
  const substance = substanceOf(step, values, shelf);
  const said = amountUnitOf(text, measures.kitchen);
  // Leaves and flowers are planned by weight, and measured by the cup or the handful; what is a bare number is as planned.
  if (shelf.dyestuff(substance)) return said === 'g' && planned && /^[\d.,\s–-]*$/.test(text) ? planned : said;
  if (planned) return planned;
  const powder = shelf.assistant(substance)?.bulkGPerMl ?? null;
  if (said !== 'g') return said === 'mL' && powder !== null ? 'g' : said;
  return shelf.assistant(substance)?.unit === 'mL' || substance === 'water' ? 'mL' : 'g';
}

/** How the text of this act is read; null where it is plain words. */
export function askReader(ask: AskFor, step: PlanStep, values: AskValues, shelf: Shelf, measures: Measures, bulkOf: BulkOf): Reader<unknown> | null {
  switch (ask) {
    case 'reading':
    case 'ph':
    case 'volume':
      return readingReader(READS[ask], measures);
    case 'weigh':
      return massReader(measures);
    case 'addition':
      return amountReader(additionUnit(step, values, shelf, measures), bulkOf(substanceOf(step, values, shelf)), measures);
    case 'heat':
      return numberReader(0, HIGHEST_KNOB);
    case 'rolled':
    case 'checked':
    case 'note':
    case 'move':
    case 'skip':
    case 'pause':
      return null;
  }
}

const READS = { reading: 'bathC', ph: 'ph', volume: 'volumeMl' } as const;

/** A thermometer, strip or dipstick, as it is said: one figure, a range or a guess. */
function readingReader(quantity: Quantity, measures: Measures): Reader<SaidReading> {
  const print = printer(measures, 'UTC');
  return saidReader(one(quantity, measures), (reading) => readingText(quantity, reading, print));
}

function one(quantity: Quantity, measures: Measures): Reader<number> {
  switch (quantity) {
    case 'bathC':
      return tenths(temperatureReader(measures));
    case 'ph':
      return numberReader(0, 14);
    case 'volumeMl':
      return volumeReader(measures, 'L');
  }
}

/** No kitchen thermometer reads finer. */
const tenths =
  (read: Reader<number>): Reader<number> =>
  (text) => {
    const got = read(text);
    return got.ok && got.value !== null ? { ...got, value: Math.round(got.value * 10) / 10 } : got;
  };

const substanceOf = (step: PlanStep, { what, other }: Pick<AskValues, 'what' | 'other'>, shelf: Shelf): string =>
  what === TOP_UP ? 'water' : (step.additions.find((a) => a.id === what)?.substance ?? substanceByName(other, shelf));

/** The fact a filled form states. What is missing or cannot be read was pointed out before: it comes through as it is, for the contract to refuse. */
export function askFact(ask: AskFor, step: PlanStep, values: AskValues, shelf: Shelf, measures: Measures, bulkOf: BulkOf): RunFact {
  const { text, choice, what } = values;
  const { id: stepId } = step;
  switch (ask) {
    case 'reading':
    case 'ph':
    case 'volume': {
      const reading = typedValue(readingReader(READS[ask], measures), text) ?? { value: Number.NaN };
      return { type: 'reading', stepId, quantity: READS[ask], ...reading };
    }
    case 'weigh':
      return { type: 'lotWeighed', lotId: choice, dryWeightG: typedValue(massReader(measures), text) ?? Number.NaN };
    case 'addition': {
      const unit = additionUnit(step, values, shelf, measures);
      const substance = substanceOf(step, values, shelf);
      const base = { type: 'addition' as const, stepId, additionId: what === 'other' || what === TOP_UP ? null : what, substance, unit };
      const read = typedValue(amountReader(unit, bulkOf(substance), measures), text);
      if (choice === 'leftOut') return { ...base, amount: measured(0) };
      if (choice === 'unknown' || read === null) return { ...base, amount: UNKNOWN };
      return { ...base, amount: choice === 'estimated' ? asGuessed(read.figure) : read.figure };
    }
    case 'heat':
      return {
        type: 'heatSet',
        stepId,
        knob: text.trim() === '' ? null : (typedValue(numberReader(0, HIGHEST_KNOB), text) ?? Number.NaN),
        hasLid: choice === 'on' ? true : choice === 'off' ? false : null,
      };
    case 'rolled':
      return {
        type: 'rolled',
        stepId,
        tightness: TIGHTNESSES.find((one) => one === choice) ?? null,
        hasBarrier: what === 'used' ? true : what === 'none' ? false : null,
      };
    case 'checked':
      return { type: 'checked', stepId, finding: text.trim() };
    case 'note':
      return { type: 'note', stepId, text: text.trim() };
    case 'move':
      return { type: 'moved', stepId, toVesselId: choice };
    case 'skip':
      return { type: 'skipped', stepId, reason: text.trim() };
    case 'pause':
      return { type: 'paused', stepId, reason: text.trim() };
  }
}
