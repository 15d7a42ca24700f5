import { type Known, leastOf, mostOf } from '../figure';

/** A figure that is not known exactly: its ends, and what is most likely. */
export interface Band {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

export const exactly = (value: number): Band => ({ low: value, likely: value, high: value });

/** What was typed, give or take so many percent; without an upper end it is taken as its least. Null where nothing is known. */
export function bandOf(known: Known, plusMinusPct = 0): Band | null {
  const least = leastOf(known);
  if (least === null) return null;
  const most = mostOf(known) ?? least;
  return { low: least * (1 - plusMinusPct / 100), likely: (least + most) / 2, high: most * (1 + plusMinusPct / 100) };
}

/** Every way in which the ends of these figures meet. */
export function corners<K extends string>(bands: Readonly<Record<K, Band>>): Record<K, number>[] {
  return (Object.entries(bands) as [K, Band][]).reduce<Record<K, number>[]>(
    (all, [key, { low, high }]) =>
      all.flatMap((one) =>
        low === high
          ? [{ ...one, [key]: low }]
          : [
              { ...one, [key]: low },
              { ...one, [key]: high },
            ],
      ),
    [{} as Record<K, number>],
  );
}
