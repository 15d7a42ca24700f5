import type { PlanStep } from '../plan/plan';
import type { RunEvent } from './events';
import { amendmentsOf } from './fold';

export interface RunNote {
  readonly id: string;
  readonly atMs: number;
  /** The step it belongs to; null: the session as a whole. */
  readonly title: string | null;
  readonly text: string;
}

/** What somebody wrote down in words while it went on, in order of time: notes, and looks that say something. What was taken back is none. */
export function notesOf(steps: readonly Pick<PlanStep, 'id' | 'title'>[], events: readonly RunEvent[]): RunNote[] {
  const { withdrawn, retimed } = amendmentsOf(events);
  return events
    .flatMap((event): RunNote[] => {
      const text = event.type === 'note' ? event.text : event.type === 'checked' ? event.finding : '';
      if (text.trim() === '' || withdrawn.has(event.id)) return [];
      const stepId = 'stepId' in event ? event.stepId : null;
      return [{ id: event.id, atMs: retimed.get(event.id) ?? event.atMs, title: steps.find(({ id }) => id === stepId)?.title ?? null, text }];
    })
    .sort((a, b) => a.atMs - b.atMs);
}
