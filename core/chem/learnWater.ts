import { type Band, exactly } from './band';
import { type Addition, forecast } from './forecast';
import { fallsThroughZero } from './zero';

/** A strip is read so well, pH (our estimate). */
const STRIP_OFF_PH = 0.25;
/** No tap gives more, mg/L CaCO3. */
const HARDEST = 600;
/** Only there does water give way enough to tell one tap from another: half of its carbonic acid and some more is taken up. */
const TELLS_PH = { least: 3.2, most: 6.6 };

interface Exactly extends Pick<Addition, 'substance'> {
  readonly amount: number;
  readonly strengthPct: number;
}

/**
 * What water must have been to come to this pH with this acid in it, mg/L CaCO3; null where the strip tells nothing of it. Closed, at 25 °C:
 * read soon after stirring, as a strip is.
 */
export function alkalinityBy(volumeMl: number, added: readonly Exactly[], ph: number): Band | null {
  if (ph < TELLS_PH.least || ph > TELLS_PH.most || volumeMl <= 0 || added.length === 0) return null;
  const comesTo = (alkalinity: number): number => {
    const after = forecast(
      { volumeMl: exactly(volumeMl), alkalinityMgL: exactly(alkalinity), tempC: 25, measuredPh: null, buffer: [] },
      added.map(({ substance, amount, strengthPct }) => ({ substance, amount: exactly(amount), strengthPct: exactly(strengthPct) })),
    );
    return after.ok ? after.ph.likely : Number.NaN;
  };
  /** Harder water stays higher; null where no water there is would. */
  const waterFor = (wanted: number): number | null => {
    const [softest, hardest] = [comesTo(0), comesTo(HARDEST)];
    if (!(hardest >= wanted)) return null;
    return softest >= wanted ? 0 : fallsThroughZero((alkalinity) => wanted - comesTo(alkalinity), 0, HARDEST, 0.1);
  };
  const [low, likely, high] = [waterFor(ph - STRIP_OFF_PH), waterFor(ph), waterFor(ph + STRIP_OFF_PH)];
  return low === null || likely === null || high === null ? null : { low, likely, high };
}

export interface LearntWater {
  readonly alkalinityMgL: Band;
  /** Baths it is learnt from. */
  readonly n: number;
}

const middle = (values: readonly number[]): number => {
  const sorted = values.toSorted((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? (sorted[half] ?? 0) : ((sorted[half - 1] ?? 0) + (sorted[half] ?? 0)) / 2;
};

/** Of several baths the middle one, so that one odd strip changes no water; null while there are none. */
export function waterOfBaths(seen: readonly Band[]): LearntWater | null {
  if (seen.length === 0) return null;
  const of = (take: (band: Band) => number) => Math.round(middle(seen.map(take)));
  return { alkalinityMgL: { low: of(({ low }) => low), likely: of(({ likely }) => likely), high: of(({ high }) => high) }, n: seen.length };
}
