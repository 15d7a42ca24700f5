import { asGuessed, type Figure, figureOf, isSpan, type Known, knownOf, leastOf, measured, mostOf, sumFigures, sumKnown, UNKNOWN } from '../figure';
import { KEPT_BATH } from '../liquor/liquor';
import type { AmountUnit } from '../measure/print';
import type { PlantForm } from './dyestuff';
import type { Spent } from './spent';

/** Something on the shelf: how much there was when somebody last looked. What runs used since is taken off. */
export interface StockItem {
  readonly id: string;
  readonly substance: string;
  /** Form of a dyestuff; null for chemicals. */
  readonly form: PlantForm | null;
  /** Which form or strength the label says (`shelf/forms`); null when nobody looked. */
  readonly label: string | null;
  readonly amount: Figure;
  readonly unit: AmountUnit;
  /** When it was counted. */
  readonly countedAtMs: number;
  readonly place: string;
  /** Source and season of a plant, maker of a powder. */
  readonly source: string;
  /** Price of one gram, millilitre or piece, in the dyer's own money. */
  readonly pricePerUnit: number | null;
  /** Grams per millilitre by the dyer's own spoon, weighed once; null: the library's range. */
  readonly ownBulkGPerMl: number | null;
  readonly note: string;
  /** Of spent plant matter: what it gave and how it waits. Null or missing for anything else. */
  readonly spent?: Spent | null | undefined;
  readonly revision: number;
  readonly retired: boolean;
}

/** What a run says it used. */
export interface Use {
  readonly substance: string;
  /** Form of a dyestuff, where the method says one; null: whichever there is. */
  readonly form: PlantForm | null;
  readonly amount: Figure;
  readonly unit: AmountUnit;
  readonly atMs: number;
}

/** Whether something on the shelf is what is wanted: dried leaf is no fresh leaf. */
export const serves = (item: Pick<StockItem, 'substance' | 'unit' | 'form'>, wanted: Pick<Use, 'substance' | 'unit' | 'form'>): boolean =>
  item.substance === wanted.substance && item.unit === wanted.unit && (item.form === null || wanted.form === null || item.form === wanted.form);

export interface StockLevel {
  readonly item: StockItem;
  /** Left now; never below 0. Unknown when the count or a use is unknown. */
  readonly left: Figure;
  readonly used: Exclude<Known, null>;
  /** Uses of unknown amount since the count. */
  readonly unknownUses: number;
}

/**
 * What is left of each item. Uses are taken from the item counted first, then from the next; a use before an item was
 * counted does not touch it. Water is never counted.
 */
export function stockLevels(items: readonly StockItem[], uses: readonly Use[]): StockLevel[] {
  const levels = new Map<string, Level>(items.map((item) => [item.id, { left: knownOf(item.amount), used: 0, unknownUses: 0 }]));
  for (const use of uses.toSorted((a, b) => a.atMs - b.atMs)) {
    const able = items
      .filter((item) => serves(item, use) && item.countedAtMs <= use.atMs)
      .toSorted((a, b) => a.countedAtMs - b.countedAtMs || (a.id < b.id ? -1 : 1));
    let rest = knownOf(use.amount);
    for (const [i, item] of able.entries()) {
      const level = levels.get(item.id);
      if (!level) continue;
      if (rest === null) {
        if (i === 0) level.unknownUses++;
        break;
      }
      if (rest === 0) break;
      // A range is taken from one of them: nobody can say where its end fell.
      const take: Exclude<Known, null> = isSpan(rest) || isSpan(level.left) || level.left === null || i === able.length - 1 ? rest : Math.min(rest, level.left);
      level.used = sumKnown([level.used, take]) ?? level.used;
      level.left = lessKnown(level.left, take);
      rest = isSpan(rest) || isSpan(take) ? 0 : rest - take;
    }
  }
  return items.map((item) => {
    const { left, used, unknownUses } = levels.get(item.id) ?? { left: null, used: 0, unknownUses: 0 };
    const figure = unknownUses > 0 ? UNKNOWN : used === 0 ? item.amount : figureOf(left, item.amount.state === 'measured' ? 'measured' : 'estimated');
    return { item, left: figure, used, unknownUses };
  });
}

interface Level {
  left: Known;
  used: Exclude<Known, null>;
  unknownUses: number;
}

/** What may be left: never below 0. */
function lessKnown(from: Known, take: Exclude<Known, null>): Known {
  if (from === null) return null;
  if (!isSpan(from) && !isSpan(take)) return Math.max(0, from - take);
  const [top, most] = [mostOf(from), mostOf(take)];
  return { least: most === null ? 0 : Math.max(0, (leastOf(from) ?? 0) - most), most: top === null ? null : Math.max(0, top - (leastOf(take) ?? 0)) };
}

export interface Need {
  readonly substance: string;
  readonly form: PlantForm | null;
  readonly name: string;
  readonly unit: AmountUnit;
  /** Null when an amount of the plan is unknown. */
  readonly amount: Known;
}

export interface ShoppingLine extends Need {
  readonly have: Figure;
  /** What there is of it that was counted in another unit, and so cannot be set against what is needed. */
  readonly otherwise: readonly { readonly left: Figure; readonly unit: AmountUnit }[];
  /** To buy or gather; null when either side is unknown. */
  readonly lack: number | null;
}

/** Sums a plan's needs by substance and form. An unknown amount makes the sum unknown, never smaller. */
export function sumNeeds(needs: readonly Need[]): Need[] {
  const byKey = new Map<string, Need>();
  for (const need of needs) {
    if (need.substance === 'water' || need.substance === KEPT_BATH) continue;
    const key = `${need.substance}/${need.form}/${need.unit}`;
    const had = byKey.get(key);
    byKey.set(key, had ? { ...had, amount: sumKnown([had.amount, need.amount]) } : need);
  }
  return [...byKey.values()];
}

/** What a plan lacks: needs beside stock, only lines with something missing or something unknown. */
export function shoppingList(needs: readonly Need[], levels: readonly StockLevel[]): ShoppingLine[] {
  return sumNeeds(needs).flatMap((need): ShoppingLine[] => {
    const mine = levels.filter(({ item }) => !item.retired && serves(item, need));
    const known = mine.map(({ left }) => left);
    const otherwise = levels
      .filter(({ item }) => !item.retired && item.unit !== need.unit && serves({ ...item, unit: need.unit }, need))
      .map(({ item, left }) => ({ left, unit: item.unit }));
    // 828 mL that nobody weighed are not 0 g.
    const have = mine.length > 0 ? asGuessed(sumFigures(known)) : otherwise.length > 0 ? UNKNOWN : measured(0);
    // Enough is enough for the most of it, with the least that may be there.
    const [wanted, there] = [mostOf(need.amount), leastOf(knownOf(have))];
    const lack = wanted === null || there === null ? null : Math.max(0, wanted - there);
    return lack === 0 ? [] : [{ ...need, have, otherwise, lack }];
  });
}
