import type { Passport } from '../fibre/passport';
import { knownOf, mostOf } from '../figure';
import { above } from '../measure/limits';
import { plainContent } from '../safety/content';
import type { Content } from '../safety/facts';
import type { Shelf } from '../shelf/lookup';

/** The bath that a vessel held last in a session before, as its log tells. */
export interface HeldLast {
  readonly sessionId: string;
  readonly vesselId: string;
  /** What was put into it; empty for plain water. */
  readonly substances: readonly string[];
  readonly doneAtMs: number;
}

/** What goods bring along from the work before. */
export interface Carried {
  /** Ids of what was laid on them with no rinse or wash since. */
  readonly unrinsed: readonly string[];
  /** Iron on them, % of their dry weight, as far as it is known: 0 when nobody knows how much, null when there is none. */
  readonly ironPct: number | null;
}

/** What other sessions left in the vessels and on the goods of this one. */
export interface Past {
  readonly held: readonly HeldLast[];
  /** By lot; those that bring nothing are left out. */
  readonly carried: Readonly<Record<string, Carried>>;
}
export const NO_PAST: Past = { held: [], carried: {} };

/** Metals stay in scratches and seams until something else was in there; whatever else a wash takes out is gone the next day (our estimate). */
const IRON = ['ironSulfate', 'ironLiquor'];
const CLINGS: ReadonlySet<string> = new Set([...IRON, 'copperSulfate', 'tinChloride']);
const WASHED_OUT_MS = 86_400_000;

/** Of each vessel the last bath, those of one session left out. */
function lastHeld(held: readonly HeldLast[], exceptSessionId: string | null): HeldLast[] {
  const byVessel = new Map<string, HeldLast>();
  for (const one of held) {
    const had = byVessel.get(one.vesselId);
    if (one.sessionId !== exceptSessionId && (!had || one.doneAtMs > had.doneAtMs)) byVessel.set(one.vesselId, one);
  }
  return [...byVessel.values()];
}

/** @param exceptRunId the run that is being planned on: what it did itself stands in its own steps */
function carriedBy({ treatments }: Pick<Passport, 'treatments'>, exceptRunId: string | null, shelf: Shelf): Carried | null {
  const before = treatments.filter(
    ({ from, certainty, part }) => !part && (certainty === 'known' || certainty === 'believed') && !('run' in from && from.run === exceptRunId),
  );
  const rinsed = before.findLastIndex(({ kind }) => kind === 'rinse' || kind === 'wash');
  const unrinsed = before.slice(rinsed + 1).flatMap(({ substance }) => shelf.assistants.find(({ name }) => name === substance)?.id ?? []);
  // Iron for a mordant stands as one, by its name.
  const ironNames = IRON.map((id) => shelf.nameOf(id));
  const iron = before.filter(({ kind, substance }) => kind === 'iron' || (substance !== null && ironNames.includes(substance)));
  const ironPct = iron.length === 0 ? null : iron.reduce((sum, { wofPct }) => sum + (mostOf(knownOf(wofPct)) ?? 0), 0);
  return unrinsed.length === 0 && ironPct === null ? null : { unrinsed: [...new Set(unrinsed)], ironPct };
}

/** @param own the session that is planned, which is no past to itself; its run where it has begun */
export const pastOf = (
  held: readonly HeldLast[],
  passports: Iterable<readonly [string, Pick<Passport, 'treatments'>]>,
  own: { readonly sessionId: string | null; readonly runId: string | null },
  shelf: Shelf,
): Past => ({
  held: lastHeld(held, own.sessionId),
  carried: Object.fromEntries(
    [...passports].flatMap(([lotId, passport]) => {
      const carried = carriedBy(passport, own.runId, shelf);
      return carried ? [[lotId, carried]] : [];
    }),
  ),
});

/** What the vessel still holds of the session before, at this time. */
export function stillIn(past: Past, vesselId: string | null, atMs: number, shelf: Shelf): Content[] {
  const last = past.held.find((one) => one.vesselId === vesselId);
  if (!last) return [];
  const isOld = above(atMs - last.doneAtMs, WASHED_OUT_MS);
  return last.substances.filter((substance) => !isOld || CLINGS.has(substance)).map((substance) => plainContent(substance, shelf));
}

/** What these goods bring along. */
export const broughtBy = (past: Past, lotIds: readonly string[], shelf: Shelf): Content[] =>
  [...new Set(lotIds.flatMap((id) => past.carried[id]?.unrinsed ?? []))].map((substance) => plainContent(substance, shelf));

interface Planned {
  readonly sessionId: string;
  readonly past?: Past | undefined;
  readonly steps: readonly { readonly vesselId: string | null; readonly startMs: number }[];
}

/** Vessels of a plan that have held something since it was made, which will still be in them when they are used first. @param held as it is known now */
export function heldSince({ sessionId, past = NO_PAST, steps }: Planned, held: readonly HeldLast[], nowMs: number, shelf: Shelf): HeldLast[] {
  return lastHeld(held, sessionId).filter((last) => {
    const known = past.held.find(({ vesselId }) => vesselId === last.vesselId);
    const uses = steps.filter(({ vesselId }) => vesselId === last.vesselId).map(({ startMs }) => Math.max(startMs, nowMs));
    if (uses.length === 0 || known?.doneAtMs === last.doneAtMs) return false;
    return stillIn({ held: [last], carried: {} }, last.vesselId, Math.min(...uses), shelf).length > 0;
  });
}
