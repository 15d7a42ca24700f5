import { amountUnitOf, parseAmount } from '../dose/parseAmount';
import type { Span } from '../figure';
import type { Kitchen } from '../measure/parseQuantity';
import { parseFigure } from '../measure/parseRange';
import type { AmountUnit } from '../measure/print';
import { withoutAbout } from '../measure/said';
import { err, ok, type Result } from '../result';

/** How much of a plant, as it was said: by weight, volume or count, or as a ratio to the fibre that was guessed by eye. */
export type PlantAmount =
  | { readonly by: 'amount'; readonly unit: AmountUnit; readonly known: number | Span; readonly about: boolean }
  | { readonly by: 'ratio'; readonly ratio: number | Span; readonly guessed: boolean };

/** The id of the first plant's addition, in every method that wants one. */
export const FIRST_PLANT = 'dyestuff';

/** One more plant in the same bath, jar, bundle or print. */
export interface MorePlant {
  /** The id of its addition. */
  readonly id: string;
  readonly dyestuffId: string;
}

const RATIO = /^(.*?\d.*?)\s*(?::|\bto\b)\s*1\s*$/i;

/** "200 g", "3–4 cups", "2 handfuls", "12 bags", "2 : 1", "about 10 to 1". */
export function parsePlantAmount(text: string, kitchen: Kitchen = null): Result<PlantAmount, string> {
  const trimmed = text.trim();
  const ratio = RATIO.exec(trimmed);
  if (ratio) {
    const { bare, about: guessed } = withoutAbout(ratio[1] ?? '');
    const figure = parseFigure(bare, ': 1');
    if (!figure.ok) return figure;
    return figure.value === null ? err('Type a ratio such as 2 : 1.') : ok({ by: 'ratio', ratio: figure.value, guessed });
  }
  const unit = amountUnitOf(trimmed, kitchen);
  const read = parseAmount(trimmed, unit, null, kitchen);
  if (!read.ok) return read;
  const { figure } = read.value;
  const known = figure.state === 'between' ? { least: figure.least, most: figure.most } : figure.value;
  return ok({ by: 'amount', unit, known, about: figure.state === 'estimated' });
}
