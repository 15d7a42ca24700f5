/** Numbers as they are spoken, below a hundred; above that people say digits, and so do recognisers. */
const ONES = [
  'zero',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
  'sixteen',
  'seventeen',
  'eighteen',
  'nineteen',
];
const TENS = ['twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];

const TEN = TENS.join('|');
const ONE = ONES.join('|');
const tensOf = (word: string): number => 20 + 10 * TENS.indexOf(word);

/** What is said of a look or as a note stays as it was heard. */
const IN_WORDS = /\b(?:notes?|looked|look)\b.*$/is;

/** What a recogniser writes, as one would type it: "pot two, sixty-six degrees" is "pot 2 66", "p h four point five" is "ph 4.5". */
export function spokenLine(words: string): string {
  const own = IN_WORDS.exec(words)?.[0] ?? '';
  const act = asTyped(words.slice(0, words.length - own.length));
  return [act, own.trim()].filter(Boolean).join(' ');
}

const asTyped = (words: string): string =>
  words
    .toLowerCase()
    .replace(/[,;!?]+/g, ' ')
    .replace(/\.(?!\d)/g, ' ')
    .replace(/\bp\.?\s*h\b/g, 'ph')
    .replace(new RegExp(`\\b(${TEN})(?:[\\s-]+(${ONES.slice(1, 10).join('|')}))?\\b`, 'g'), (_, tens: string, one?: string) =>
      String(tensOf(tens) + (one ? ONES.indexOf(one) : 0)),
    )
    .replace(new RegExp(`\\b(${ONE})\\b`, 'g'), (one) => String(ONES.indexOf(one)))
    .replace(/(\d)\s+point\s+(\d)/g, '$1.$2')
    .replace(/\b(?:degrees?\s*)?(?:celsius|centigrade)\b|°\s*c\b/g, 'c')
    .replace(/\b(?:degrees?\s*)?fahrenheit\b|°\s*f\b/g, 'f')
    .replace(/\s*(?:\bdegrees?\b|°)/g, '')
    .replace(/\bpod (?=\d)/g, 'pot ')
    .replace(/\s+/g, ' ')
    .trim();
