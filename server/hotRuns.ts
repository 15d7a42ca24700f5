import type { Plan } from '@/core/plan/plan';
import type { RunEvent } from '@/core/run/events';
import { foldRun, type RunState } from '@/core/run/fold';
import type { Db } from '@/store/db';
import { loadEvents, loadRun, type RunRow } from '@/store/runs';
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
 * Logs of runs that are being worked on, so that an act at the stove reads nothing it has read before. Only this process
 * writes the database, and it tells of every act; a run is read anew after anything but a plain append.
 */
export class HotRuns {
  private readonly runs = new Map<string, HotRun>();

  async get(db: Db, runId: string): Promise<HotRun | null> {
    const hot = this.runs.get(runId);
    if (hot) return hot;
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

  appended(runId: string, event: RunEvent): void {
    const hot = this.runs.get(runId);
    if (!hot || event.type === 'replanned' || event.type === 'amended' || event.type === 'finished') {
      this.runs.delete(runId);
      return;
    }
    const eventIds = hot.eventIds as Set<string>;
    eventIds.add(event.id);
    this.runs.set(runId, { ...hot, events: [...hot.events, event], eventIds });
  }
}
