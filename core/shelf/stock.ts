import { estimated, type Figure, knownValue, UNKNOWN } from '../figure';
import type { AmountUnit } from '../measure/print';
import type { PlantForm } from './dyestuff';

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
  readonly used: number;
  /** Uses of unknown amount since the count. */
  readonly unknownUses: number;
}

/**
 * What is left of each item. Uses are taken from the item counted first, then from the next; a use before an item was
 * counted does not touch it. Water is never counted.
 */
export function stockLevels(items: readonly StockItem[], uses: readonly Use[]): StockLevel[] {
  const levels = new Map(items.map((item) => [item.id, { left: knownValue(item.amount), used: 0, unknownUses: 0 }]));
  for (const use of uses.toSorted((a, b) => a.atMs - b.atMs)) {
    const able = items
      .filter((item) => serves(item, use) && item.countedAtMs <= use.atMs)
      .toSorted((a, b) => a.countedAtMs - b.countedAtMs || (a.id < b.id ? -1 : 1));
    let rest = knownValue(use.amount);
    for (const [i, item] of able.entries()) {
      const level = levels.get(item.id);
      if (!level) continue;
      if (rest === null) {
        if (i === 0) level.unknownUses++;
        break;
      }
      if (rest <= 0) break;
      const isLast = i === able.length - 1;
      const take = level.left === null || isLast ? rest : Math.min(rest, level.left);
      level.used += take;
      if (level.left !== null) level.left = Math.max(0, level.left - take);
      rest -= take;
    }
  }
  return items.map((item) => {
    const level = levels.get(item.id) ?? { left: null, used: 0, unknownUses: 0 };
    const left: Figure =
      level.left === null || level.unknownUses > 0
        ? UNKNOWN
        : level.used === 0
          ? item.amount
          : item.amount.state === 'estimated'
            ? estimated(level.left)
            : { state: item.amount.state === 'measured' ? 'measured' : 'estimated', value: level.left };
    return { item, left, used: level.used, unknownUses: level.unknownUses };
  });
}

export interface Need {
  readonly substance: string;
  readonly form: PlantForm | null;
  readonly name: string;
  readonly unit: AmountUnit;
  /** Null when an amount of the plan is unknown. */
  readonly amount: number | null;
}

export interface ShoppingLine extends Need {
  readonly have: Figure;
  /** To buy or gather; null when either side is unknown. */
  readonly lack: number | null;
}

/** Sums a plan's needs by substance and form. An unknown amount makes the sum unknown, never smaller. */
export function sumNeeds(needs: readonly Need[]): Need[] {
  const byKey = new Map<string, Need>();
  for (const need of needs) {
    if (need.substance === 'water') continue;
    const key = `${need.substance}/${need.form}/${need.unit}`;
    const had = byKey.get(key);
    byKey.set(key, had ? { ...had, amount: had.amount === null || need.amount === null ? null : had.amount + need.amount } : need);
  }
  return [...byKey.values()];
}

/** What a plan lacks: needs beside stock, only lines with something missing or something unknown. */
export function shoppingList(needs: readonly Need[], levels: readonly StockLevel[]): ShoppingLine[] {
  return sumNeeds(needs).flatMap((need): ShoppingLine[] => {
    const mine = levels.filter(({ item }) => !item.retired && serves(item, need));
    const known = mine.map(({ left }) => left);
    const have: Figure =
      mine.length === 0
        ? { state: 'measured', value: 0 }
        : known.some((left) => left.state === 'unknown')
          ? UNKNOWN
          : estimated(known.reduce((sum, left) => sum + (knownValue(left) ?? 0), 0));
    const haveG = knownValue(have);
    const lack = need.amount === null || haveG === null ? null : Math.max(0, need.amount - haveG);
    return lack === 0 ? [] : [{ ...need, have, lack }];
  });
}
