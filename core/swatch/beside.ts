import { type Difference, difference, TELLING_SAYS } from '../colour/difference';
import { isCorrected, type SeenColour } from './swatch';

/** Two colours side by side. */
export interface Beside {
  readonly difference: Difference;
  /** Why it may be something else than the fibre that differs. */
  readonly doubts: readonly string[];
  /** Wet beside dry says nothing of the dye, whatever the figure. */
  readonly comparable: boolean;
}

/** Rinsed fibre is wet fibre; cured is dry. */
const isWet = ({ state }: SeenColour): boolean | null => (state === null ? null : state === 'wet' || state === 'rinsed');

export function beside(a: SeenColour, b: SeenColour): Beside {
  const doubts: string[] = [];
  const [wetA, wetB] = [isWet(a), isWet(b)];
  const comparable = wetA !== null && wetA === wetB;
  if (wetA === null || wetB === null) doubts.push('Nobody said of both whether they were wet or dry.');
  else if (wetA !== wetB) doubts.push('One was wet, the other dry: fibre dries paler.');
  if (isCorrected(a) !== isCorrected(b)) doubts.push('One is corrected, the other not: the light may be what differs.');
  else if (!isCorrected(a) && !isCorrected(b) && (a.light !== b.light || a.light === null))
    doubts.push('Neither is corrected, and the light was not the same, or nobody said.');
  if (a.by.kind === 'eye' || b.by.kind === 'eye') doubts.push('Judged by eye: a small difference may be the eye.');
  return { difference: difference(a.lab, b.lab), doubts, comparable };
}

/** "clearly darker, redder · ΔE 12.3 · another colour" */
export const besideText = ({ difference: { words, deltaE, telling } }: Beside): string => `${words} · ΔE ${deltaE.toFixed(1)} · ${TELLING_SAYS[telling]}`;
