import type { Shelf } from './lookup';
import type { StockLevel } from './stock';

/** Grams per millilitre of a powder, least and most: by the dyer's own spoon where one was weighed, else the library's range. */
export function bulkOf(substance: string, shelf: Shelf, levels: readonly Pick<StockLevel, 'item'>[]): readonly [number, number] | null {
  const own = levels.find(({ item }) => item.substance === substance && !item.retired && item.ownBulkGPerMl !== null)?.item.ownBulkGPerMl ?? null;
  return own === null ? (shelf.assistant(substance)?.bulkGPerMl ?? null) : [own, own];
}
