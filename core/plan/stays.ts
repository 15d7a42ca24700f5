import { holdsMany, type Vessel } from '../kitchen/vessel';
import type { Finding } from '../safety/finding';
import type { Window } from '../schedule/diary';
import type { Phase } from './phase';
import { isHeated } from './phase';

/** One step of some session in the kitchen: what it takes and how long. */
export interface Stay {
  readonly sessionId: string;
  /** Name of the session. */
  readonly session: string;
  readonly running: boolean;
  readonly stepId: string;
  readonly title: string;
  readonly vesselId: string | null;
  readonly heatSourceId: string | null;
  readonly lotIds: readonly string[];
  readonly fromMs: number;
  readonly toMs: number;
  /** When its heat is on. */
  readonly heat: readonly Window[];
}

interface StayingStep {
  readonly id: string;
  readonly title: string;
  readonly vesselId: string | null;
  readonly lotIds: readonly string[];
  readonly phases: readonly Phase[];
  readonly phaseTimes: readonly Window[];
  readonly startMs: number;
  readonly endMs: number;
}

/** The stays of a plan, or of what is left of it. */
export function staysOf(
  session: { readonly sessionId: string; readonly name: string; readonly running: boolean },
  steps: readonly StayingStep[],
  vessels: readonly Pick<Vessel, 'id' | 'kind' | 'heatSourceId'>[],
): Stay[] {
  return steps.map((step): Stay => {
    const vessel = vessels.find((one) => one.id === step.vesselId);
    return {
      sessionId: session.sessionId,
      session: session.name,
      running: session.running,
      stepId: step.id,
      title: step.title,
      vesselId: vessel && !holdsMany(vessel) ? vessel.id : null,
      heatSourceId: vessel?.heatSourceId ?? null,
      lotIds: step.lotIds,
      fromMs: step.startMs,
      toMs: step.endMs,
      heat: step.phases.flatMap((phase, i) => (isHeated(phase) && step.phaseTimes[i] ? [step.phaseTimes[i]] : [])),
    };
  });
}

const overlaps = (a: Window, b: Window): boolean => a.fromMs < b.toMs && b.fromMs < a.toMs;

interface Names {
  readonly vessel: (id: string) => string;
  readonly heat: (id: string) => string;
  readonly lot: (id: string) => string;
  readonly time: (ms: number) => string;
}

const ORDER = 'lvh';

/** Two sessions in one pot, one plate under two pots, one lot in two plans: each pair of sessions once a thing. */
export function clashes(own: readonly Stay[], others: readonly Stay[], names: Names): Finding[] {
  const found = new Map<string, Finding>();
  const say = (key: string, stepId: string, text: string) => {
    if (!found.has(key)) found.set(key, { rule: 'kitchen', severity: 'caution', stepId, text });
  };
  for (const mine of own) {
    for (const other of others) {
      if (other.sessionId === mine.sessionId) continue;
      const theirs = `“${other.title}” of “${other.session}”`;
      const until = `from ${names.time(other.fromMs)} to ${names.time(other.toMs)}`;
      if (mine.vesselId !== null && mine.vesselId === other.vesselId && overlaps(mine, other)) {
        say(
          `v${mine.vesselId}${other.sessionId}`,
          mine.stepId,
          `${names.vessel(mine.vesselId)} is taken by ${theirs} ${until}. Take another vessel, or another time.`,
        );
      }
      if (mine.heatSourceId !== null && mine.heatSourceId === other.heatSourceId && mine.heat.some((a) => other.heat.some((b) => overlaps(a, b)))) {
        say(
          `h${mine.heatSourceId}${other.sessionId}`,
          mine.stepId,
          `${names.heat(mine.heatSourceId)} heats ${theirs} ${until}: one plate heats one pot. Move one of them.`,
        );
      }
      const shared = mine.lotIds.find((id) => other.lotIds.includes(id));
      if (shared !== undefined) {
        say(
          `l${shared}${other.sessionId}`,
          mine.stepId,
          `${names.lot(shared)} is also in “${other.session}”${other.running ? ', which is running' : ''}. One lot cannot be in two sessions at once.`,
        );
      }
    }
  }
  // A lot in two places is the worst of it; then the pot, then the plate.
  return [...found].sort(([a], [b]) => ORDER.indexOf(a.charAt(0)) - ORDER.indexOf(b.charAt(0))).map(([, finding]) => finding);
}

/** Vessels that other sessions need while one begins: they are offered last. */
export const takenVessels = (others: readonly Stay[], window: Window): ReadonlySet<string> =>
  new Set(others.flatMap((stay) => (stay.vesselId !== null && overlaps(stay, window) ? [stay.vesselId] : [])));
