/** One step up: a row of one shape made into the next. */
export type Step = (row: Readonly<Record<string, unknown>>) => unknown;
export type Steps = Readonly<Record<string, readonly Step[]>>;

/**
 * How rows of older shapes become rows of today, by kind of row: the first step makes shape 2 of shape 1, and so on. A shape that a
 * release has written is never taken out of here, since journals, archives and copies of it are kept for ever.
 * How to add one stands in CONTRIBUTING; each needs a frozen journal of the shape before it in `fixtures/`.
 */
export const STEPS: Steps = {};

/** The shape in which this version writes a kind of row. */
export const shapeOf = (kind: string, steps: Steps = STEPS): number => 1 + (steps[kind]?.length ?? 0);

/** Thrown for data that a newer version wrote: it must be left as it is. */
export class NewerData extends Error {}

/** @param shape the shape it was written in; rows without one are of the first */
export function upcast(kind: string, row: unknown, shape = 1, steps: Steps = STEPS): unknown {
  if (shape > shapeOf(kind, steps))
    throw new NewerData(
      'This data folder was written by a newer Hyndle, and this one cannot read all of it. Start the newer version; nothing here was touched.',
    );
  return (steps[kind] ?? []).slice(shape - 1).reduce<unknown>((older, step) => step(older as Record<string, unknown>), row);
}
