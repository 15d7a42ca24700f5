/** Whether an amount is meant for each cup or piece, or for all of them together. */
export type EachMeans = 'each' | 'all';

const EACH = /\s*[,;]?\s*\b(?:each|apiece|per (?:cup|piece|jar))\b\.?\s*$/i;
const ALL = /\s*[,;]?\s*\b(?:in all|in total|altogether|together)\b\.?\s*$/i;

/** "1 tsp each" is 1 tsp, for each; "20 mL in all" is 20 mL, for all; what does not say is null. */
export function eachOrAll(text: string): { readonly bare: string; readonly means: EachMeans | null } {
  if (EACH.test(text)) return { bare: text.replace(EACH, ''), means: 'each' };
  return ALL.test(text) ? { bare: text.replace(ALL, ''), means: 'all' } : { bare: text, means: null };
}
