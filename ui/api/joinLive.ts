import type { LiveMessage, RunView } from '@/contract/views';
import type { RunEvent } from '@/core/run/events';
import { standingEvents } from '@/core/run/fold';

/** A run with one more act; the same run when it has the act already. */
export function withEvent(view: RunView, event: RunEvent): RunView {
  return view.events.some((had) => had.id === event.id) ? view : { ...view, events: [...view.events, event] };
}

/**
 * A run with later readings of its vessels' probes, each instant once; the same run when none is news. What a probe reads after a run is
 * over belongs to whatever stands in that pot now.
 */
export function withReadings(view: RunView, message: Extract<LiveMessage, { kind: 'readings' }>): RunView {
  let joined = view;
  if (isOver(view.events)) return view;
  for (const vessel of view.plan.vessels) {
    if (vessel.probeId !== message.probeId) continue;
    const had = joined.readings[vessel.id] ?? [];
    const lastMs = had.at(-1)?.atMs ?? 0;
    const later = message.readings.filter((reading) => reading.atMs > lastMs);
    if (later.length > 0) joined = { ...joined, readings: { ...joined.readings, [vessel.id]: [...had, ...later] } };
  }
  return joined;
}

// Asked with every reading: only a log that says so at all is looked through for what was taken back.
const saysFinished = (events: readonly RunEvent[]): boolean => events.some(({ type }) => type === 'finished');
const isOver = (events: readonly RunEvent[]): boolean => saysFinished(events) && saysFinished(standingEvents(events));
