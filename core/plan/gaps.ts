import { FORMS } from '../shelf/forms';
import { shelfOf } from '../shelf/library';
import { labelMissing } from './amounts';
import { blendQuestion } from './blend';
import { type Plan, plannedKnown } from './plan';

/** Something that nobody knows yet, what hangs on it, and how to come to know it. */
export interface Gap {
  readonly key: string;
  readonly what: string;
  readonly changes: string;
  readonly close: string;
}

/** All that is unknown in a plan, in one list: the plan stands without it, and is better with it. */
export function gapsOf(plan: Plan): Gap[] {
  const shelf = shelfOf(plan.own);
  const labels = { ...plan.labels, ...plan.draft.labels };
  const gaps: Gap[] = [];
  for (const lot of plan.lots) {
    if (lot.dryWeightG.state === 'unknown') {
      const doses = plan.steps
        .filter((step) => step.sizedBy.includes(lot.id))
        .flatMap((step) => step.additions.filter((one) => one.perDryG !== null).map((one) => one.name));
      gaps.push({
        key: `weight/${lot.id}`,
        what: `${lot.name}: how much it weighs`,
        changes: doses.length > 0 ? `Every dose that goes by weight: ${[...new Set(doses)].join(', ')}.` : 'How full the pots are.',
        close: 'Weigh it dry, here or at the stove.',
      });
    }
    if (lot.composition.length === 0)
      gaps.push({
        key: `fibre/${lot.id}`,
        what: `${lot.name}: what it is made of`,
        changes: 'Which cautions hold: heat and alkali for wool and silk, acid for plant fibre.',
        close: 'Read its label, or burn a thread.',
      });
  }
  const blend = blendQuestion(plan);
  if (blend && blend.answer === null)
    gaps.push({
      key: 'blend',
      what: 'Whether percents are of the whole weight, or of the share that takes dye',
      changes: `Every dose that goes by weight: ${[...new Set(blend.doses.map((dose) => dose.name))].join(', ')}.`,
      close: 'Choose one of the two; both are worked out.',
    });
  for (const question of plan.questions.filter((one) => one.answer === null))
    gaps.push({
      key: `mordant/${question.lotId}`,
      what: `${plan.lots.find((lot) => lot.id === question.lotId)?.name ?? 'A lot'}: whether it is mordanted`,
      changes: question.ifNot,
      close: 'A test strip, a look early, or mordant it anyway.',
    });
  const missing = new Set<string>();
  for (const step of plan.steps) {
    for (const addition of step.additions) {
      const { substance, name } = addition;
      if (labelMissing(substance, labels, shelf) && FORMS[substance] && !missing.has(substance)) {
        missing.add(substance);
        gaps.push({
          key: `label/${substance}`,
          what: `${name}: which form or strength the packet says`,
          changes: 'The right dose, up to twofold.',
          close: 'Read the label and choose it at the step, or on the shelf.',
        });
      }
      // Unknown though the fibre was weighed: then the rule itself has no figure.
      const weighed = step.sizedBy.every((id) => plan.lots.find((lot) => lot.id === id)?.dryWeightG.state !== 'unknown');
      if (plannedKnown(addition) === null && addition.words === null && weighed)
        gaps.push({
          key: `amount/${step.id}/${addition.id}`,
          what: `${step.title}: how much ${name}`,
          changes: 'How strong the bath is, and how full the pot.',
          close: 'Set an amount, weigh it at the stove, or log it as by eye.',
        });
    }
    if (step.phases.some((phase) => 'minutes' in phase && typeof phase.minutes === 'object' && phase.minutes.open))
      gaps.push({
        key: `long/${step.id}`,
        what: `${step.title}: how long`,
        changes: 'When the stove calls, and whether a hold counts as full.',
        close: 'Set a length, or end it by eye and let the record say how long it was.',
      });
    if (step.phases.some((phase) => phase.kind === 'hold' && phase.bandC === null))
      gaps.push({
        key: `heat/${step.id}`,
        what: `${step.title}: how hot`,
        changes: 'Whether the hold counts, and which cautions hold.',
        close: 'Give a band, or read the bath at the stove.',
      });
  }
  for (const vessel of plan.vessels)
    if (vessel.litres === null && vessel.kind !== 'line' && vessel.kind !== 'table')
      gaps.push({
        key: `litres/${vessel.id}`,
        what: `${vessel.name}: how much it holds`,
        changes: 'Whether the bath fits, and how full it is.',
        close: 'Fill it once by the jug, and write it on the shelf.',
      });
  return gaps;
}
