import { changeGrade, printRating, type Rating, stainGrade } from '../colour/grades';
import { countText } from '../measure/print';
import type { Look } from '../swatch/look';
import { alikeColours, coloursIn, type SeenColour } from '../swatch/swatch';
import { FASTNESS_PARTS, type FastnessKind } from './parts';

export interface FastnessTest {
  readonly id: string;
  readonly kind: FastnessKind;
  readonly lotId: string;
  readonly beganAtMs: number;
  /** On which days after its beginning it is looked at, in rising order. */
  readonly lookDays: readonly number[];
  /** Window and season, or how it was washed. */
  readonly note: string;
  readonly createdAtMs: number;
  readonly by?: string;
  readonly revision: number;
  readonly withdrawn: { readonly atMs: number; readonly by?: string; readonly reason: string } | null;
}

/** Weeks in a window; the day after a wash. Common practice, no source. */
export const USUAL_DAYS: Readonly<Record<FastnessKind, readonly number[]>> = { light: [7, 14, 21, 28], wash: [1] };

/** One look at a test: what changed until then. */
export interface Graded {
  readonly atMs: number;
  readonly day: number;
  readonly change: Rating;
  /** Null where no white cloth was read. */
  readonly stain: Rating | null;
}

const DAY_MS = 86_400_000;

/** Readings of one part since a test began, the newest kind of reading only: corrected is not held against uncorrected. */
function readingsOf(test: FastnessTest, looks: readonly Look[], part: string): SeenColour[] {
  const own = looks.filter((look) => look.part === part && look.atMs >= test.beganAtMs).toSorted((a, b) => a.atMs - b.atMs);
  return alikeColours(coloursIn(own));
}

/** The reading that stands beside one: the last until then, else the first after it. */
const besideIt = (readings: readonly SeenColour[], atMs: number): SeenColour | undefined =>
  readings.findLast((reading) => reading.atMs <= atMs) ?? readings.find((reading) => reading.atMs > atMs);

/**
 * Each look at the tested part against the part that was kept: change by the grey scale (ISO 105-A05), staining of the white cloth
 * (ISO 105-A04), to the half step.
 * @param looks standing ones, of the test's lot
 */
export function gradesOf(test: FastnessTest, looks: readonly Look[]): Graded[] {
  const parts = FASTNESS_PARTS[test.kind];
  const kept = readingsOf(test, looks, parts.kept);
  const [used, fresh] = parts.cloth ? parts.cloth.map((part) => readingsOf(test, looks, part)) : [[], []];
  return readingsOf(test, looks, parts.tested).flatMap(({ atMs, lab }) => {
    const original = besideIt(kept, atMs);
    if (!original) return [];
    const [cloth, clean] = [besideIt(used ?? [], atMs), besideIt(fresh ?? [], atMs)];
    return [
      {
        atMs,
        day: Math.floor((atMs - test.beganAtMs) / DAY_MS),
        change: changeGrade(original.lab, lab).rating,
        stain: cloth && clean ? stainGrade(clean.lab, cloth.lab).rating : null,
      },
    ];
  });
}

/** When it wants its next look; null when all days were looked at, or it was given up. A late look serves all days before it. */
export function nextLookMs(test: FastnessTest, grades: readonly Graded[]): number | null {
  if (test.withdrawn) return null;
  const lastMs = grades.at(-1)?.atMs ?? Number.NEGATIVE_INFINITY;
  // Looked at within half a day before its time is looked at.
  const day = test.lookDays.find((one) => test.beganAtMs + one * DAY_MS - DAY_MS / 2 > lastMs);
  return day === undefined ? null : test.beganAtMs + day * DAY_MS;
}

/** "light: 4-5 after 28 days"; what nobody looked at is said to be open. */
export function fastnessText({ kind, lookDays }: Pick<FastnessTest, 'kind' | 'lookDays'>, grades: readonly Graded[]): string {
  const last = grades.at(-1);
  if (!last) return `${kind}: begun, not looked at yet`;
  const stain = last.stain === null ? '' : `, white cloth ${printRating(last.stain)}`;
  const end = lookDays.at(-1) ?? 0;
  return `${kind}: ${printRating(last.change)}${stain} after ${countText(last.day, 'day')}${last.day < end ? `, goes on to ${countText(end, 'day')}` : ''}`;
}
