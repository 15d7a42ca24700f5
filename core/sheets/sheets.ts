import { type Lot, printComposition } from '../fibre/lot';
import { figureOf } from '../figure';
import { METRIC } from '../measure/measures';
import { printer } from '../measure/printer';
import type { Plan, PlanStep } from '../plan/plan';
import type { WeighLine } from '../plan/weighOut';
import { standingTicks, type WeighTick } from '../plan/weighTicks';
import { describeEvent } from '../run/describeEvent';
import type { RunEvent } from '../run/events';
import { amendmentsOf, foldRun } from '../run/fold';
import { vesselAt } from '../run/readings';
import type { StockLevel } from '../shelf/stock';
import { type Cell, figureCells, figureHead, type Sheet, sheetTime, utcTime } from './sheet';

/** All fibre: what it is, what it weighs, what became of it. */
export function lotsSheet(lots: readonly Lot[], zone: string): Sheet {
  return {
    head: ['id', 'name', 'form', 'fibre', 'finishes', ...figureHead('dry weight', 'g'), 'pieces', 'base colour', 'added', 'ended', 'note'],
    rows: [
      lots.map((lot) => [
        lot.id,
        lot.name,
        lot.form,
        printComposition(lot.composition),
        lot.finishes === null ? 'unknown' : lot.finishes.join(', ') || 'none',
        ...figureCells(lot.dryWeightG),
        lot.pieces,
        lot.baseHex,
        sheetTime(lot.createdAtMs, zone),
        lot.ended?.how ?? null,
        lot.note,
      ]),
    ],
  };
}

/** What stands on the shelf, as it was counted and as it is now. */
export function shelfSheet(levels: readonly StockLevel[], nameOf: (substance: string) => string, zone: string): Sheet {
  return {
    head: [
      'id',
      'what',
      'form',
      'unit',
      ...figureHead('counted', ''),
      ...figureHead('left', ''),
      'counted at',
      'place',
      'source',
      'price of one',
      'put away',
      'note',
    ],
    rows: [
      levels.map(({ item, left }) => [
        item.id,
        nameOf(item.substance),
        item.form,
        item.unit,
        ...figureCells(item.amount),
        ...figureCells(left),
        sheetTime(item.countedAtMs, zone),
        item.place,
        item.source,
        item.pricePerUnit,
        item.retired ? 'yes' : 'no',
        item.note,
      ]),
    ],
  };
}

/** What to weigh, planned beside weighed, in the order of use. */
export function weighOutSheet(lines: readonly WeighLine[], ticks: readonly WeighTick[], zone: string): Sheet {
  const weighed = standingTicks(ticks);
  return {
    head: ['step', 'what', 'form', 'as', 'unit', ...figureHead('planned', ''), 'aim', ...figureHead('weighed', ''), 'weighed at'],
    rows: [
      lines.map((line) => {
        const tick = weighed.get(line.key);
        return [
          line.stepTitle,
          line.name,
          line.form,
          line.detail,
          line.unit,
          // A plan is no measurement: its figure says that by itself.
          ...figureCells(figureOf(line.planned, 'estimated')).map((cell, i) => (i === 3 && cell === 'estimated' ? 'planned' : cell)),
          line.aim,
          ...(tick?.amount ? figureCells(tick.amount) : [null, null, null, null]),
          sheetTime(tick?.atMs ?? null, zone),
        ];
      }),
    ],
  };
}

const QUANTITY = { bathC: '°C', ph: 'pH', volumeMl: 'mL' } as const;

/**
 * The log of a run: every act at the time that stands, in the vessel where it was then, in words and with its figure. What was taken back is there and
 * says so, and so are the acts that took it back or set it to another time.
 */
export function logSheet(plan: Plan, events: readonly RunEvent[], nameOf: (substance: string) => string, zone: string): Sheet {
  const print = printer(METRIC, zone);
  const { withdrawn, retimed } = amendmentsOf(events);
  const { steps } = foldRun(plan.steps, events);
  const vesselOf = (step: PlanStep, atMs: number) => plan.vessels.find(({ id }) => id === vesselAt(step, steps[step.id], atMs))?.name ?? null;
  const stepOf = (event: RunEvent) => ('stepId' in event ? (plan.steps.find((step) => step.id === event.stepId) ?? null) : null);
  const cellsOf = (event: RunEvent): Cell[] => {
    if (event.type === 'reading') {
      const { said } = event;
      const ends = said?.as === 'between' ? [said.low, said.high] : [null, null];
      return [event.value, ...ends, said?.as === 'about' ? 'estimated' : 'measured', QUANTITY[event.quantity]];
    }
    if (event.type === 'addition') return [...figureCells(event.amount), event.unit];
    if (event.type === 'lotWeighed') return [event.dryWeightG, null, null, 'measured', 'g'];
    return [null, null, null, null, null];
  };
  return {
    head: [
      'id',
      'time',
      'time in UTC',
      'logged as',
      'written down',
      'by',
      'taken back',
      'step',
      'vessel',
      'act',
      'in words',
      ...figureHead('figure', ''),
      'unit',
      'about entry',
    ],
    rows: [
      events.map((event) => {
        const step = stepOf(event);
        const atMs = retimed.get(event.id) ?? event.atMs;
        return [
          event.id,
          sheetTime(atMs, zone),
          utcTime(atMs),
          sheetTime(event.atMs, zone),
          sheetTime(event.recordedAtMs, zone),
          event.by ?? null,
          withdrawn.has(event.id) ? 'yes' : 'no',
          step?.title ?? null,
          step && vesselOf(step, atMs),
          event.type,
          describeEvent(event, plan, print, nameOf),
          ...cellsOf(event),
          event.type === 'amended' ? event.targetId : null,
        ];
      }),
    ],
  };
}

/** Readings of one probe or several, each with where it stood. */
export const readingsSheet = (
  pieces: Iterable<readonly { readonly vessel: string; readonly atMs: number; readonly bathC: number }[]>,
  zone: string,
): Sheet => ({
  head: ['vessel', 'time', 'time in UTC', 'bath, °C'],
  rows: (function* () {
    for (const piece of pieces) yield piece.map(({ vessel, atMs, bathC }): Cell[] => [vessel, sheetTime(atMs, zone), utcTime(atMs), bathC]);
  })(),
});
