/** Permanently refused (safety handbook section 2, block list): no dose is ever worked out for these. */
const BLOCKED: readonly { readonly words: RegExp; readonly say: string }[] = [
  {
    words: /\b(di|bi)?chromate|\bchrom(e|ium|ic)\b|chrome alum|\bk2cr2?o[47]\b/i,
    say: 'Dichromate can cause cancer, burn, sensitise and poison water. Ask your hazardous-waste service; alum or iron give related shades.',
  },
  {
    words:
      /\b(lead(?! ?plant)|mercur(y|ic|ous)|arsen(ic|ite|ate|ous)|antimony|cadmium)\b(?!-?\s?free\b)|\blitharge\b|\bsugar of lead\b|\b(white|red) lead\b|\bminium\b|\b(corrosive )?sublimate\b|\bcalomel\b|\bcinnabar\b|\bvermilion\b|\btartar emetic\b|\borpiment\b|\brealgar\b/i,
    say: '',
  },
  { words: /\boxalic acid\b/i, say: '' },
  {
    words:
      /\b(nitric|hydrochloric|muriatic|sul(ph|f)uric|battery)[ -]acid\b|\bhydrochloric\b|\bh2so4\b|\bhcl\b|\bhno3\b|\boil of vitriol\b|\baqua fortis\b|\bspirits? of salts?\b/i,
    say: '',
  },
  { words: /\bquick[ -]?lime\b|\bunslaked lime\b|\bcalcium oxide\b|\bburnt lime\b/i, say: '' },
  {
    words:
      /\b(methanol|methyl alcohol|wood alcohol|petrol|petroleum|gasoline|kerosene|paraffin oil|naphtha|benzene|benzine|toluene|xylene|white spirit|mineral spirits?|acetone|turpentine|chloroform|trichloro\w+|carbon tetrachloride)\b/i,
    say: '',
  },
];

/** What to say about a blocked substance, or null when the name is not on the list. */
export function blockedText(name: string): string | null {
  const found = BLOCKED.find((entry) => entry.words.test(name));
  if (!found) return null;
  return `${name.slice(0, 40)} is not supported here. Do not open, heat or pour it; ask a hazardous-waste service.`;
}

/** More about it, for the place where there is room. */
export const blockedMore = (name: string): string | null => BLOCKED.find((entry) => entry.words.test(name))?.say || null;
