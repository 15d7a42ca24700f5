import type { StepTreatment } from '../fibre/passport';
import { printDuration, printExactDuration } from '../measure/print';
import type { StepClock } from './clock';
import { TOLERANCE } from './tolerance';

/** A dip that runs. */
export interface DipNow {
  readonly stepId: string;
  readonly act: string;
  readonly exactMin: number;
  /** Until it is to be lifted, ms; negative when it runs over. */
  readonly leftMs: number;
}

/** The dip of a step, as its clock has it; null where it is in none. */
export function dipNow({ stepId, current }: Pick<StepClock, 'stepId' | 'current'>): DipNow | null {
  if (current?.phase.kind !== 'dip') return null;
  const { exactMin, act } = current.phase;
  return { stepId, act, exactMin, leftMs: (exactMin - current.elapsedMin) * 60_000 };
}

/** Whole seconds left, rounded up: nobody is called early by a rounding. */
export const secondsLeft = (leftMs: number): number => Math.ceil(leftMs / 1000);

/** "2:59", the last ten seconds alone, "+0:12" when it runs over. */
export function countdownText(leftMs: number): string {
  const seconds = secondsLeft(leftMs);
  if (seconds > 0) return seconds <= LAST_S ? String(seconds) : printExactDuration(seconds * 1000);
  return seconds === 0 ? '0' : `+${printExactDuration(-seconds * 1000)}`;
}

/** These are counted one by one. */
export const LAST_S = 10;

/** Over by less than this share of the dip hardly shows; by more than this much it is another dip. Our estimates. */
const SHOWS = 0.1;
const ANOTHER = 0.5;
const WHAT: Partial<Record<StepTreatment, string>> = {
  iron: 'darker and greyer, and iron left in it makes fibre brittle',
  dye: 'deeper',
  modifier: 'the colour has gone farther',
  mordant: 'more mordant taken up',
};

/** How far a dip runs over and what that means, in words; null while it does not, or not by more than counts as planned. */
export function overText({ leftMs, exactMin }: Pick<DipNow, 'leftMs' | 'exactMin'>, treatment: StepTreatment | null): string | null {
  const overS = Math.floor(-leftMs / 1000);
  if (overS <= TOLERANCE.dipS) return null;
  const share = overS / (exactMin * 60);
  const more = (treatment && WHAT[treatment]) ?? 'more than was meant';
  if (share < SHOWS) return `Over ${printDuration(exactMin)} by so little that it hardly shows: lift now.`;
  if (share < ANOTHER) return `Over by ${Math.round(share * 100)} %: a little ${more}. Lift now.`;
  return `Over by ${Math.round(share * 100)} %: ${more}. Lift now, and take the real time for the next one.`;
}
