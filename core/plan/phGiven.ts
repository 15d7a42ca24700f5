import { type Band, exactly } from '../chem/band';
import { isLiquid, strengthBand } from '../chem/freed';
import { alkalinityOf } from '../chem/water';
import type { Home } from '../kitchen/home';
import { FORMS, labelForm } from '../shelf/forms';
import type { PhAim } from './phAim';
import type { Plan } from './plan';

/** What every sum of a plan's pH is given: the home's water, what labels say, how well a litre is known. */

/** A litre measured out or read off a pot is a tenth off, easily (our estimate). */
export const VOLUME_OFF_PCT = 10;

/** The home's water, mg/L as CaCO3, and what it is known from; any tap where nobody asked. */
export const tapOf = ({ water }: Pick<Home, 'water'>): ReturnType<typeof alkalinityOf> =>
  alkalinityOf(water?.alkalinityMgL ?? null, water?.hardnessMgL ?? null);

/** By substance: the form or strength on its label. */
type Labels = Readonly<Record<string, string>>;
const labelsOf = ({ labels, draft }: Pick<Plan, 'labels' | 'draft'>): Labels => ({ ...labels, ...draft.labels });

/** Of a substance: g per 100 mL, by its label where that is known. */
export const strengthIn = (substance: string, labels: Labels): Band => strengthBand(substance, labelForm(substance, labels[substance])?.strengthPct ?? null);
export const strengthOf = (substance: string, plan: Pick<Plan, 'labels' | 'draft'>): Band => strengthIn(substance, labelsOf(plan));

/**
 * Weight of the product on the shelf that does what one of the recipe's does: as its label says, else from the strongest to the weakest form
 * it is sold in. 1 for liquids, whose strength is a figure of its own.
 */
export function productFactorIn(substance: string, labels: Labels): Band {
  const forms = isLiquid(substance) ? [] : (FORMS[substance] ?? []);
  const told = labelForm(substance, labels[substance]);
  if (told && forms.length > 0) return exactly(told.factor);
  const factors = forms.map(({ factor }) => factor);
  return factors.length === 0 ? exactly(1) : { low: Math.min(...factors), likely: factors[0] ?? 1, high: Math.max(...factors) };
}

export const productFactor = (substance: string, plan: Pick<Plan, 'labels' | 'draft'>): Band => productFactorIn(substance, labelsOf(plan));

/** Where a bath is brought to: the middle of its aim, or the end that was said. */
export const middleOf = ({ low, high }: PhAim): number => ((low ?? high ?? 7) + (high ?? low ?? 7)) / 2;
