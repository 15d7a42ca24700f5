import { knownText } from '../figure';
import { printDuration } from '../measure/print';
import { WEAR_WORD, type Wear } from '../shelf/assistant';
import { shelfOf } from '../shelf/library';
import { isHeated } from './phase';
import type { Plan } from './plan';
import { planTotals } from './totals';

/** A look around before the first act: made from the goods, the methods and the kitchen at hand, each ticked or passed. */
export function beforeStart(plan: Plan): string[] {
  const shelf = shelfOf(plan.own);
  const substances = [...new Set(plan.steps.flatMap((step) => step.additions.map((addition) => addition.substance)))];
  const assistants = substances.flatMap((id) => shelf.assistant(id) ?? []);
  const kinds = new Set(plan.steps.map((step) => step.kind));
  const { heatMin } = planTotals(plan);
  const wear = (Object.keys(WEAR_WORD) as Wear[]).filter((key) => key !== 'V' && assistants.some((one) => one.wear.includes(key)));
  const airy = assistants.some((one) => one.wear.includes('V')) || plan.findings.some((finding) => finding.rule === 'P9');
  const withSalts = plan.vessels.filter((vessel) =>
    plan.steps.some((step) => step.vesselId === vessel.id && step.additions.some((one) => shelf.assistant(one.substance)?.group === 'mordant')),
  );
  const items: (string | false)[] = [
    plan.lots.some((lot) => lot.form === 'skein') && 'Skeins loosened and untwisted, ties loose in three places',
    (kinds.has('dip') || kinds.has('resist')) && 'Bands and bindings off, unless they are meant to resist',
    'Every piece tagged: wet, they look alike',
    heatMin !== 0 && `Somebody is near while the heat is on: about ${knownText(heatMin, printDuration)} in all`,
    plan.steps.some((step) => step.phases.some(isHeated)) &&
      plan.steps.some((step) => step.phases.some((phase) => phase.kind === 'rest' && phase.overnightOk)) &&
      'At night the heat is off and unplugged',
    airy && 'Window open, or work outdoors',
    withSalts.length > 0 && `For dyeing only from now on: ${withSalts.map((vessel) => vessel.name).join(', ')}`,
    plan.vessels.some((vessel) => vessel.kind === 'tray') && 'The tray stands level',
    wear.length > 0 && `At hand: ${wear.map((key) => WEAR_WORD[key]).join(', ')}`,
    plan.home.childrenOrPets && 'Pots, cords and powders out of reach of children and pets',
  ];
  return items.filter((item) => item !== false);
}

/** What is kept in the log of it. */
export function beforeStartNote(items: readonly string[], ticked: ReadonlySet<string>): string {
  const passed = items.filter((item) => !ticked.has(item));
  const done = items.filter((item) => ticked.has(item));
  const parts = [done.length > 0 ? `ticked: ${done.join('; ')}` : '', passed.length > 0 ? `not ticked: ${passed.join('; ')}` : ''].filter(Boolean);
  return `Before the start. ${parts.join('. ')}.`;
}
