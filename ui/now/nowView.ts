import type { RunView, SessionSummary } from '@/contract/views';
import type { KnownPot } from '@/core/heat/learnPot';
import type { Printer } from '@/core/measure/printer';
import type { Nudge } from '@/core/run/nudges';
import { type StoveCard, type StoveView, stoveView } from '../stove/stoveView';

export interface LiveRunView {
  readonly view: RunView;
  readonly stove: StoveView;
}
export interface Call {
  readonly live: LiveRunView;
  readonly nudge: Nudge;
}
export interface Place {
  readonly live: LiveRunView;
  readonly card: StoveCard;
}

export interface NowView {
  readonly lives: readonly LiveRunView[];
  /** Calls of all sessions, stops first, then by time. */
  readonly calls: readonly Call[];
  readonly onHeat: readonly Place[];
  readonly left: readonly Place[];
  readonly inHand: readonly Place[];
  readonly planned: readonly SessionSummary[];
}

/** What needs hands, across every session, in order of time. */
export function nowView(
  views: readonly RunView[],
  sessions: readonly SessionSummary[],
  nowMs: number,
  print: Printer,
  pots: readonly KnownPot[] = [],
): NowView {
  const lives = views.map((view): LiveRunView => ({ view, stove: stoveView(view.plan, view.events, view.readings, nowMs, print, pots) }));
  const calls = lives
    .flatMap((live) => live.stove.nudges.map((nudge) => ({ live, nudge })))
    .sort((a, b) => Number(b.nudge.stop) - Number(a.nudge.stop) || a.nudge.dueMs - b.nudge.dueMs);
  const places = lives.flatMap((live) => live.stove.cards.map((card) => ({ live, card })));
  const among = (...kinds: readonly string[]) => places.filter(({ card }) => kinds.includes(card.clock.current?.phase.kind ?? ''));
  return {
    lives,
    calls,
    onHeat: among('raise', 'hold'),
    left: among('rest', 'soak', 'until'),
    inHand: among('charge', 'dip', 'lift', ''),
    planned: sessions.filter((session) => session.run === null).toSorted((a, b) => a.startMs - b.startMs),
  };
}
