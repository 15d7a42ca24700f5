import type { LiveMessage, RunView } from '@/contract/views';
import type { RunEvent } from '@/core/run/events';

/** A run with one more act; the same run when it has the act already. */
export function withEvent(view: RunView, event: RunEvent): RunView {
  return view.events.some((had) => had.id === event.id) ? view : { ...view, events: [...view.events, event] };
}

/** A run with later readings of its vessels' probes, each instant once; the same run when none is news. */
export function withReadings(view: RunView, message: Extract<LiveMessage, { kind: 'readings' }>): RunView {
  let joined = view;
  for (const vessel of view.plan.vessels) {
    if (vessel.probeId !== message.probeId) continue;
    const had = joined.readings[vessel.id] ?? [];
    const lastMs = had.at(-1)?.atMs ?? 0;
    const later = message.readings.filter((reading) => reading.atMs > lastMs);
    if (later.length > 0) joined = { ...joined, readings: { ...joined.readings, [vessel.id]: [...had, ...later] } };
  }
  return joined;
}
