import type { Plan } from '@/core/plan/plan';
import type { RunEvent } from '@/core/run/events';
import { foldRun, type RunState } from '@/core/run/fold';
import type { Db } from '@/store/db';
import { countEvents, loadEvents, loadRun, type RunRow } from '@/store/runs';
import { loadPlan } from '@/store/sessions';

export interface HotRun {
  readonly run: RunRow;
  readonly plan: Plan;
  readonly events: readonly RunEvent[];
  readonly eventIds: ReadonlySet<string>;
  /** What a check of a new act needs, so that a long log is not folded for each. */
  readonly standing: Pick<RunState, 'phase' | 'startedAtMs'>;
}

/**
 * Logs of runs that are being worked on, so that an act at the stove reads nothing it has read before. Every act of this process is told
 * here; a run is read anew after anything but a plain append, and when another process has written it.
 */
export class HotRuns {
  private readonly runs = new Map<string, HotRun>();

  /** @param isShared whether other processes write the same database */
  constructor(private readonly isShared = false) {}

  async get(db: Db, runId: string): Promise<HotRun | null> {
    const hot = this.runs.get(runId);
    // A log only grows: as many acts are the same acts.
    if (hot && (!this.isShared || (await countEvents(db, runId)) === hot.events.length)) return hot;
    const run = await loadRun(db, runId);
    if (!run) return null;
    const events = await loadEvents(db, runId);
    const standing = foldRun([], events);
    const version = standing.planVersion ?? 1;
    const plan = await loadPlan(db, run.sessionId, version);
    if (!plan) throw new Error(`run ${runId} names plan ${version} of ${run.sessionId}, which is not there`);
    const read = { run, plan, events, eventIds: new Set(events.map((event) => event.id)), standing };
    this.runs.set(runId, read);
    return read;
  }

  /** After rows came in from elsewhere. */
  clear(): void {
    this.runs.clear();
  }

  appended(runId: string, event: RunEvent): void {
    const hot = this.runs.get(runId);
    if (!hot || event.type === 'replanned' || event.type === 'amended' || event.type === 'finished') {
      this.runs.delete(runId);
      return;
    }
    // On a shared database the next act may have read this one before it is told of: counted twice, it would hide one that is lacking.
    if (hot.eventIds.has(event.id)) return;
    const eventIds = hot.eventIds as Set<string>;
    eventIds.add(event.id);
    this.runs.set(runId, { ...hot, events: [...hot.events, event], eventIds });
  }
}
