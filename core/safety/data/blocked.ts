/** Permanently refused (safety handbook section 2, block list): no dose is ever worked out for these. */
const BLOCKED: readonly { readonly words: RegExp; readonly say: string }[] = [
  {
    words: /\b(di|bi)?chromate|\bchrom(e|ium|ic)\b|chrome alum|\bk2cr2?o[47]\b/i,
    say: 'Dichromate can cause cancer, burn, sensitise and poison water. Ask your hazardous-waste service; alum or iron give related shades.',
  },
  { words: /\b(lead|mercur(y|ic)|arsenic|antimony|cadmium)\b(?!-?\s?free\b)|\blitharge\b|\bsugar of lead\b|\bminium\b/i, say: '' },
  { words: /\boxalic acid\b/i, say: '' },
  { words: /\b(nitric|hydrochloric|muriatic|sul(ph|f)uric) acid\b|\boil of vitriol\b|\baqua fortis\b|\bspirits? of salts?\b/i, say: '' },
  { words: /\bquick ?lime\b|\bcalcium oxide\b|\bburnt lime\b/i, say: '' },
  { words: /\b(methanol|petrol|gasoline|white spirit|acetone|turpentine)\b/i, say: '' },
];

/** What to say about a blocked substance, or null when the name is not on the list. */
export function blockedText(name: string): string | null {
  const found = BLOCKED.find((entry) => entry.words.test(name));
  if (!found) return null;
  return `${name.slice(0, 40)} is not supported here. Do not open, heat or pour it; ask a hazardous-waste service.`;
}

/** More about it, for the place where there is room. */
export const blockedMore = (name: string): string | null => BLOCKED.find((entry) => entry.words.test(name))?.say || null;
