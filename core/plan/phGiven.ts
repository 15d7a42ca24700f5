import { type Band, bandOf, exactly } from '../chem/band';
import { isLiquid, strengthBand } from '../chem/freed';
import { ANY_TAP_PH, alkalinityOf } from '../chem/water';
import { type Known, oneOf } from '../figure';
import type { Home } from '../kitchen/home';
import { type PhaseTemplate, resolveRef } from '../method/method';
import { FORMS, labelForm } from '../shelf/forms';
import type { PhAim } from './phAim';
import type { Phase } from './phase';
import type { Plan } from './plan';

/** What every sum of a plan's pH is given: the home's water, what labels say, how well a litre is known. */

/** A litre measured out or read off a pot is a tenth off, easily (our estimate). */
export const VOLUME_OFF_PCT = 10;

/** The home's water, mg/L as CaCO3, and what it is known from; any tap where nobody asked. */
export const tapOf = ({ water }: Pick<Home, 'water'>): ReturnType<typeof alkalinityOf> =>
  alkalinityOf(water?.alkalinityMgL ?? null, water?.hardnessMgL ?? null);

/** The pH of the home's water at the tap; any tap's where nobody asked. */
export const tapPhOf = ({ water }: Pick<Home, 'water'>): Band => bandOf(water?.ph ?? null) ?? ANY_TAP_PH;

/** Water and what stands in a room, °C. */
const COLD_C = 20;

/** How hot the bath of a step is while its pH counts, °C: in its last hold, or as it stands in the room. */
export function bathC(phases: readonly Phase[]): number {
  const hold = phases.findLast((phase) => phase.kind === 'hold' && phase.bandC !== null);
  return hold?.kind === 'hold' && hold.bandC ? (hold.bandC[0] + hold.bandC[1]) / 2 : COLD_C;
}

/** The same of a method's step, before its phases are worked out. */
export function templateBathC(phases: readonly PhaseTemplate[], params: Readonly<Record<string, Known>>): number {
  const hold = phases.findLast((phase) => phase.kind === 'hold' && phase.lowC !== null && phase.highC !== null);
  if (hold?.kind !== 'hold' || hold.lowC === null || hold.highC === null) return COLD_C;
  const [low, high] = [oneOf(resolveRef(hold.lowC, params)), oneOf(resolveRef(hold.highC, params))];
  return low === null || high === null ? COLD_C : (low + high) / 2;
}

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
