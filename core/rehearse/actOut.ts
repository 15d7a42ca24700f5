import { leastOf } from '../figure';
import { estimatedUaWPerK, holdingW, temperatureAfter } from '../heat/pot';
import { probeReadsC } from '../heat/simPot';
import type { Reading } from '../hold/credit';
import { wattUnder } from '../kitchen/home';
import { typicalMin } from '../plan/phase';
import { type Plan, type PlanStep, plannedKnown } from '../plan/plan';
import { unreachable } from '../result';
import type { RunFact } from '../run/events';
import { plannedStirsMin } from '../run/nudges';

/** What went otherwise than planned, by step kind. */
export interface Slip {
  /** Begun this much after it could have been, min. */
  readonly lateMin?: number;
  /** The hold ended this much early, min. */
  readonly holdShortMin?: number;
  /** How far above the band the pot ran away once, K. */
  readonly overshootK?: number;
  /** Factor on what was weighed in. */
  readonly amountFactor?: number;
  readonly note?: string;
}

export interface Act {
  readonly atMs: number;
  readonly fact: RunFact;
}

export interface Acted {
  readonly acts: readonly Act[];
  /** Probe readings by vessel. */
  readonly readings: Readonly<Record<string, readonly Reading[]>>;
  readonly endMs: number;
}

const MIN = 60_000;
const EVERY_MS = 20_000;

/** Plays a plan as a person with a real stove would have done it, up to `untilMs`. */
export function actOut(plan: Plan, slips: Readonly<Record<string, Slip>>, chance: () => number, untilMs: number): Acted {
  const acts: Act[] = [];
  const readings: Record<string, Reading[]> = {};
  const ends = new Map<string, number>();
  for (const step of plan.steps.toSorted((a, b) => a.startMs - b.startMs)) {
    const readyMs = Math.max(step.startMs, ...step.after.map((id) => ends.get(id) ?? 0));
    const startMs = readyMs + (slips[step.kind]?.lateMin ?? chance() * 3) * MIN;
    ends.set(step.id, actStep(step, plan, slips[step.kind] ?? {}, startMs, chance, acts, readings));
  }
  const past = acts
    .map((act) => ({ ...act, atMs: Math.round(act.atMs) }))
    .filter((act) => act.atMs <= untilMs)
    .sort((a, b) => a.atMs - b.atMs);
  const pastReadings = Object.fromEntries(
    Object.entries(readings).map(([id, list]) => [
      id,
      list
        .map((r) => ({ ...r, atMs: Math.round(r.atMs) }))
        .filter((r) => r.atMs <= untilMs)
        .sort((a, b) => a.atMs - b.atMs),
    ]),
  );
  return { acts: past, readings: pastReadings, endMs: Math.round(Math.max(...ends.values())) };
}

function actStep(step: PlanStep, plan: Plan, slip: Slip, startMs: number, chance: () => number, acts: Act[], readings: Record<string, Reading[]>): number {
  const { id: stepId } = step;
  const vessel = plan.vessels.find((v) => v.id === step.vesselId);
  const probed = vessel?.probeId ? (readings[vessel.id] ?? []) : null;
  if (vessel && probed) readings[vessel.id] = probed;
  const maxW = wattUnder(plan.home, vessel) ?? 1500;
  const litres = vessel?.litres ?? 5;
  const pot = { litres: Math.max(1, (step.fit?.filledMl ?? litres * 500) / 1000), uaWPerK: estimatedUaWPerK(litres, true), roomC: 19, boilC: 100 };
  let atMs = startMs;
  // Straining and cold wet goods cool a liquor; a rest goes on where the dyebath left off; everything else is tap water.
  let potC = step.kind === 'dye' ? 41 : step.kind === 'rest' ? (probed?.at(-1)?.bathC ?? 19) : 16;
  /** Runs the pot on, one reading every so often, with the heat the cook gives it. */
  const cook = (untilMs: number, heatW: (c: number) => number, done?: (c: number) => boolean): void => {
    while (atMs < untilMs && !done?.(potC)) {
      potC = temperatureAfter(pot, potC, Math.max(0, Math.min(maxW, heatW(potC))), EVERY_MS / 1000);
      atMs += EVERY_MS;
      probed?.push({ atMs, bathC: probeReadsC(potC, chance()) });
    }
  };
  step.phases.forEach((phase, phaseIndex) => {
    acts.push({ atMs, fact: { type: 'phaseEntered', stepId, phaseIndex } });
    const enteredMs = atMs;
    switch (phase.kind) {
      case 'charge':
        if (phaseIndex === 0) acts.push(...weighIn(step, slip, enteredMs, chance));
        if (slip.note && phaseIndex === 0) acts.push({ atMs: enteredMs + MIN, fact: { type: 'note', stepId, text: slip.note } });
        atMs += phase.minutes * (0.9 + chance() * 0.3) * MIN;
        break;
      case 'raise': {
        const toC = (phase.toC ?? 80) + 1.5;
        const perMs = (phase.maxRateCPerMin ?? 2) / MIN;
        const fromC = potC;
        cook(
          enteredMs + 5 * 3_600_000,
          (c) => (c < fromC + perMs * (atMs - enteredMs) ? maxW : holdingW(pot, c) * 0.6),
          (c) => c >= toC,
        );
        break;
      }
      case 'hold': {
        const [low, high] = phase.bandC ?? [70, 80];
        const middle = (low + high) / 2;
        const holdMs = (phase.minutes.typical - (slip.holdShortMin ?? 0)) * MIN;
        if (phase.stirEveryMin) {
          for (const min of plannedStirsMin(holdMs / MIN, phase.stirEveryMin))
            if (chance() > 0.12) acts.push({ atMs: enteredMs + (min + chance() * 1.5) * MIN, fact: { type: 'stirred', stepId } });
        }
        if (slip.overshootK) {
          cook(enteredMs + 12 * MIN, (c) => holdingW(pot, middle) + (middle - c) * 120);
          cook(
            atMs + 30 * MIN,
            () => maxW * 0.5,
            (c) => c > high + (slip.overshootK ?? 0),
          );
          acts.push({ atMs, fact: { type: 'checked', stepId, finding: 'Ran away while I was at the line. Turned right down.' } });
          cook(
            atMs + 25 * MIN,
            () => 0,
            (c) => c < high,
          );
        }
        cook(enteredMs + holdMs, (c) => holdingW(pot, middle) + (middle - c) * 120);
        break;
      }
      case 'rest':
      case 'until':
      case 'soak': {
        const planned = step.phaseTimes[phaseIndex];
        const untilMs = planned ? Math.max(enteredMs + phase.minutes.min * MIN, planned.toMs) : enteredMs + typicalMin(phase) * MIN;
        if (probed && phase.kind === 'rest') cook(untilMs, () => 0);
        atMs = untilMs;
        break;
      }
      case 'dip':
        atMs += phase.exactMin * MIN + 12_000;
        break;
      case 'lift':
        acts.push({ atMs: atMs + MIN, fact: { type: 'lifted', stepId } });
        atMs += phase.minutes * (0.9 + chance() * 0.4) * MIN;
        break;
      default:
        unreachable(phase);
    }
  });
  acts.push({ atMs, fact: { type: 'stepFinished', stepId } });
  return atMs;
}

function weighIn(step: PlanStep, slip: Slip, enteredMs: number, chance: () => number): Act[] {
  return step.additions.flatMap((addition, i): Act[] => {
    const planned = leastOf(plannedKnown(addition));
    if (planned === null) return [];
    const factor = slip.amountFactor ?? 1 + (chance() - 0.5) * 0.02;
    const value = Math.round(planned * factor * 10) / 10;
    return [
      {
        atMs: enteredMs + (2 + i) * MIN,
        fact: {
          type: 'addition',
          stepId: step.id,
          additionId: addition.id,
          substance: addition.substance,
          amount: { state: 'measured', value },
          unit: addition.unit,
        },
      },
    ];
  });
}
