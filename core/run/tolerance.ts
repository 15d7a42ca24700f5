import { above } from '../measure/limits';
import type { SpanMin } from '../plan/phase';

/** What still counts as planned, each kind of figure by its own measure. */
export const TOLERANCE = {
  startMin: 5,
  dipS: 5,
  /** A hold or span without a least and a most of its own. */
  lengthMin: 1,
  lengthShare: 0.03,
  /** Setting up, heating up and lifting are guesses of the plan: only a clear difference is said. */
  guessMin: 3,
  guessShare: 0.05,
  bandK: 0.5,
} as const;

/** A length without its usual minutes: the ends that it can miss. */
export type Limits = Pick<SpanMin, 'min' | 'max' | 'open'>;

const slackOf = (min: number): number => Math.max(TOLERANCE.lengthMin, min * TOLERANCE.lengthShare);
/** Minutes that a length is short of its least; nothing while within what counts as planned. */
export const shortOf = (gotMin: number, { min, open }: Limits): number =>
  // Of a minute that was planned, none is none: what slack there is never swallows half of it.
  !open && (above(min - gotMin, slackOf(min)) || above(min / 2, gotMin)) ? min - gotMin : 0;
/** Minutes that a length is beyond its most, in the same way. */
export const lengthBeyond = (gotMin: number, { max, open }: Limits): number => (!open && above(gotMin - max, slackOf(max)) ? gotMin - max : 0);
