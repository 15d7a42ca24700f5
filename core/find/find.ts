/** Something that can be found and gone to. */
export interface Thing {
  readonly id: string;
  /** What kind of thing it is, in a word. */
  readonly kind: string;
  readonly name: string;
  /** What else is written on it. */
  readonly words: string;
  readonly href: string;
}

/** Things with their words lower-cased once, so that a keystroke only compares. */
export interface FindIndex {
  readonly things: readonly Thing[];
  readonly names: readonly string[];
  readonly words: readonly string[];
}

/** A space before every word, so that " bir" finds each word that begins with it. */
const worded = (text: string): string =>
  ` ${text
    .toLowerCase()
    .split(/[^\p{L}\p{N}%]+/u)
    .filter(Boolean)
    .join(' ')}`;

export const indexThings = (things: readonly Thing[]): FindIndex => ({
  things,
  names: things.map((thing) => worded(thing.name)),
  words: things.map((thing) => worded(`${thing.name} ${thing.kind} ${thing.words}`)),
});

/**
 * Things on which every word of the text begins some word; first letters suffice. Those whose name begins with it come
 * first, then those with it in their name, then the others, each in their own order.
 */
export function find(index: FindIndex, text: string, most = 40): Thing[] {
  const wanted = worded(text).split(' ').filter(Boolean);
  if (wanted.length === 0) return [];
  const ranked: Thing[][] = [[], [], []];
  index.things.forEach((thing, i) => {
    const [name = '', words = ''] = [index.names[i], index.words[i]];
    if (!wanted.every((word) => words.includes(` ${word}`))) return;
    const rank = name.startsWith(` ${wanted.join(' ')}`) ? 0 : wanted.every((word) => name.includes(` ${word}`)) ? 1 : 2;
    ranked[rank]?.push(thing);
  });
  return ranked.flat().slice(0, most);
}
