import { isSpan, type Known } from '../figure';
import type { LearntPot } from '../heat/fitPot';
import { type RiseMin, riseMin } from '../heat/learnPot';
import { ROOM_C } from '../heat/losses';
import { estimatedUaWPerK, secondsTo } from '../heat/pot';
import type { Vessel } from '../kitchen/vessel';
import { above } from '../measure/limits';
import { type PhaseTemplate, type Ref, resolveRef, type SpanRef } from '../method/method';
import { unreachable } from '../result';
import type { Phase, RaiseLearnt, SpanMin } from './phase';

/** Cold tap water and a strained liquor, °C (estimates; a reading replaces them). */
export const TAP_C = 15;
const STRAINED_C = 40;
/** When nothing is known of the burner: the usual rise of a home stove, °C/min (estimate). */
const USUAL_RATE = 1.2;

export interface PhaseContext {
  readonly params: Readonly<Record<string, Known>>;
  /** The parameters that a person set; missing: none. */
  readonly typed?: ReadonlySet<string>;
  readonly liquorStartsWarm: boolean;
  /** The liquor as the step before left it, °C; null or missing: as it is usually. */
  readonly startsAtC?: number | null | undefined;
  readonly waterMl: number | null;
  readonly vessel: Vessel | null;
  readonly maxW: number | null;
  /** What the pot's own curves taught; missing: nothing yet. */
  readonly learnt?: LearntPot | undefined;
  readonly boilC: number;
}

export const startC = ({ startsAtC, liquorStartsWarm }: Pick<PhaseContext, 'liquorStartsWarm' | 'startsAtC'>): number =>
  startsAtC ?? (liquorStartsWarm ? STRAINED_C : TAP_C);

/** A method's phases with its parameters, this pot and this much water filled in. */
export function resolvePhases(templates: readonly PhaseTemplate[], context: PhaseContext): Phase[] {
  const number = (ref: Ref): number | null => middleOf(resolveRef(ref, context.params));
  const optional = (ref: Ref | null): number | null => (ref === null ? null : number(ref));
  const resolved = (phase: PhaseTemplate): Phase => {
    switch (phase.kind) {
      case 'charge':
      case 'lift':
        return { kind: phase.kind, minutes: number(phase.minutes) ?? 10, act: phase.act };
      case 'raise': {
        const toC = capped(number(phase.toC), context.boilC - 3);
        const maxRate = phase.maxRateCPerMin === null ? null : number(phase.maxRateCPerMin);
        return { kind: 'raise', toC, maxRateCPerMin: maxRate, ...raiseMin(toC, maxRate, context) };
      }
      case 'hold': {
        // Water never gets hotter than the boil of this altitude: a band above it would never be reached.
        const boil = context.boilC;
        const low = capped(optional(phase.lowC), boil - 3);
        const high = capped(optional(phase.highC), boil + 2);
        return {
          kind: 'hold',
          bandC: low === null || high === null ? null : [low, high],
          ceilingC: optional(phase.ceilingC),
          minutes: span(phase.minutes, context),
          stirEveryMin: optional(phase.stirEveryMin),
          flipAtMin: optional(phase.flipAtMin),
          ...(phase.tap ? { tap: phase.tap } : {}),
        };
      }
      case 'dip':
        return { kind: 'dip', exactMin: number(phase.exactMin) ?? 3, act: phase.act };
      case 'soak':
        return { kind: 'soak', minutes: span(phase.minutes, context), checkEveryMin: optional(phase.checkEveryMin) };
      case 'until':
        return { kind: 'until', minutes: span(phase.minutes, context), checkEveryMin: number(phase.checkEveryMin) ?? 1440, criterion: phase.criterion };
      case 'rest':
        return { kind: 'rest', minutes: span(phase.minutes, context), overnightOk: phase.overnightOk };
      default:
        return unreachable(phase);
    }
  };
  return templates.map(resolved);
}

/** The clock plans with the middle of a range, in whole fives, and with the least of an open one. */
function middleOf(known: Known): number | null {
  if (!isSpan(known)) return known;
  return known.most === null ? known.least : Math.min(known.most, Math.max(known.least, Math.round((known.least + known.most) / 10) * 5));
}

const capped = (c: number | null, mostC: number): number | null => (c === null ? null : Math.min(c, mostC));

/** Least ≤ typical ≤ most, whatever the parameter was set to. A length that is not set plans as an hour, and stays open. */
function span(ref: SpanRef, { params, typed }: Pick<PhaseContext, 'params' | 'typed'>): SpanMin {
  const set = resolveRef(ref.typical, params);
  const number = (end: Ref): number | null => middleOf(resolveRef(end, params));
  const typical = middleOf(set);
  if (typical === null) return { min: Math.min(number(ref.min) ?? 1, 60), typical: 60, max: Math.max(number(ref.max) ?? 1440, 60), open: true };
  const [least, most] = [number(ref.min) ?? typical, number(ref.max) ?? typical];
  // A range that a person typed is what will do, whatever the method says.
  if (isSpan(set)) return { min: set.least, typical, max: set.most ?? Math.max(most, typical), said: true };
  const beyondMin = above(typical, most) ? most : above(least, typical) ? least : null;
  const isTyped = typeof ref.typical !== 'number' && typed?.has(ref.typical.param);
  return {
    min: Math.min(least, typical),
    typical,
    max: Math.max(most, typical),
    ...(beyondMin === null ? {} : { beyondMin }),
    ...(isTyped ? { typed: true as const } : {}),
  };
}

/** Minutes of heating: what this pot was seen to do, else what its burner can do; no faster than the goods allow. Whole minutes, rounded up. */
function raiseMin(toC: number | null, maxRate: number | null, context: PhaseContext): { minutes: number; learnt?: RaiseLearnt } {
  const fromC = startC(context);
  const targetC = toC ?? 80;
  if (targetC <= fromC) return { minutes: 1 };
  const byRate = (targetC - fromC) / Math.min(maxRate ?? Number.POSITIVE_INFINITY, USUAL_RATE * 10);
  const least = maxRate === null ? 0 : byRate;
  const seen = learntMin(fromC, targetC, context);
  if (seen) {
    const whole = (minutes: number): number => Math.ceil(Math.max(least, minutes));
    const [minMin, maxMin] = [whole(seen.lowMin), seen.highMin === null ? null : whole(seen.highMin)];
    return { minutes: whole(seen.likelyMin), learnt: { n: seen.n, minMin, maxMin } };
  }
  const bySource = sourceMin(fromC, targetC, context) ?? (targetC - fromC) / USUAL_RATE;
  return { minutes: Math.ceil(Math.max(least, bySource)) };
}

// What does not go in is not heated: an overfilled plan is stopped by its own rule, not by an endless rise.
const filled = (waterMl: number, vesselLitres: number): number => Math.min(waterMl / 1000, vesselLitres);

function learntMin(fromC: number, toC: number, { waterMl, vessel, learnt, boilC }: PhaseContext): RiseMin | null {
  if (!learnt || waterMl === null || waterMl <= 0 || !vessel?.litres) return null;
  return riseMin(learnt, vessel.litres, filled(waterMl, vessel.litres), fromC, toC, boilC);
}

function sourceMin(fromC: number, toC: number, { waterMl, vessel, maxW, boilC }: PhaseContext): number | null {
  if (waterMl === null || waterMl <= 0 || maxW === null || !vessel?.litres) return null;
  const pot = { litres: filled(waterMl, vessel.litres), uaWPerK: estimatedUaWPerK(vessel.litres, true), roomC: ROOM_C, boilC };
  const seconds = secondsTo(pot, fromC, toC, maxW);
  return seconds === null ? null : seconds / 60;
}
