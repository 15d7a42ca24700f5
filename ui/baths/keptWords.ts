import type { KeptFact } from '@/core/liquor/act';
import type { KeptIn } from '@/core/liquor/liquor';
import { printDuration } from '@/core/measure/print';

export const KEPT_WORD: Readonly<Record<KeptIn, string>> = {
  warm: 'in a hot room or the sun',
  room: 'at room temperature',
  fridge: 'in a fridge',
  freezer: 'in a freezer',
};
export const FRESH_WORD = { fresh: 'fresh', lookFirst: 'look at it first', past: 'past its day' } as const;

const DAY_MS = 86_400_000;
/** A bath of days is so many days old; minutes matter to nobody then. */
export const ageText = (ms: number): string => (ms < 2 * DAY_MS ? printDuration(ms / 60_000) : `${Math.floor(ms / DAY_MS)} d`);

export type ActKind = KeptFact['kind'];
export const ACT_WORD: Readonly<Record<ActKind, string>> = {
  pouredIn: 'Pour in',
  drawn: 'Draw off',
  put: 'Put something in',
  water: 'Top up with water',
  strained: 'Strain it',
  read: 'Measure',
  moved: 'Put it elsewhere',
  used: 'It dyed something',
  pouredAway: 'Pour it away',
};
