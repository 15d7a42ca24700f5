import { knownOf, leastOf, mostOf } from '../figure';
import { freshness } from '../liquor/liquor';
import { above } from '../measure/limits';
import { printDuration, printNumber, printVolume } from '../measure/print';
import { type Finding, rankFindings } from '../safety/finding';
import { checkStep } from '../safety/rules/all';
import { printDayClock } from '../time/zone';
import { UNKNOWN_PLANT } from './amounts';
import { isNeeded, neededText } from './neededVessel';
import { plannedKnown } from './plan';
import { type Context, factsOf, type Step } from './stepFacts';

/** Every rule on every step of a plan. A typed reason turns a passable stop into a caution. */
export function planFindings(context: Context): Map<string, Finding[]> {
  const print = (ms: number) => printDayClock(ms, context.home.diary.zone);
  const found = new Map<string, Finding[]>();
  context.steps.forEach((step, i) => {
    const facts = factsOf(step, i, context);
    const findings = [
      ...missingVessel(i, context),
      ...missingDyestuff(step),
      ...unusedBath(step, i, context),
      ...keptLiquor(step, context),
      ...beyondMethod(step),
      ...looksUnseen(step, context, print),
      ...checkStep(facts, print),
      ...step.cautions.map((text): Finding => ({ rule: 'method', severity: 'note', text, stepId: step.id })),
    ];
    const reason = context.reasons[step.id];
    found.set(
      step.id,
      rankFindings(
        reason ? findings.map((finding) => (finding.severity === 'stopUnlessReason' ? { ...finding, severity: 'caution' as const } : finding)) : findings,
      ),
    );
  });
  return found;
}

/** A length set beyond what the method itself gives at least or at most: it is planned so, and said. */
const beyondMethod = (step: Step): Finding[] =>
  step.phases.flatMap((phase): Finding[] => {
    if (!('minutes' in phase) || typeof phase.minutes === 'number' || phase.minutes.beyondMin === undefined) return [];
    const { typical, beyondMin } = phase.minutes;
    const end = typical > beyondMin ? 'most' : 'least';
    return [
      {
        rule: 'span',
        severity: 'caution',
        stepId: step.id,
        text: `${printDuration(typical)} set; the method gives ${printDuration(beyondMin)} at the ${end}.`,
      },
    ];
  });

/** A kept bath or a heap of tannin matter is suggested to be spent after so many uses (trade handbook T73; common practice, no source). */
const USED_UP_AFTER = 3;

/** A liquor out of the cupboard (safety handbook P16, P14): labelled, not past its day, and no lye. */
function keptLiquor(step: Step, { liquors = [], steps }: Context): Finding[] {
  const liquor = liquors.find((one) => one.id === step.liquorId);
  // Said where it is brought out, not at every step that goes on with it.
  if (!liquor || steps.find((one) => one.liquorId === liquor.id) !== step) return [];
  const say = (severity: Finding['severity'], text: string): Finding => ({ rule: 'P16', severity, text, stepId: step.id });
  const found: Finding[] = [];
  if (!liquor.labelled)
    found.push(say('stop', `${liquor.name} has no label: write on it what it is, its date and “not food”, and mark it labelled on the shelf.`));
  if (freshness(liquor, step.startMs) === 'past')
    found.push(say('caution', `${liquor.name} is past its day: look and smell from afar; fuzzy or coloured growth goes into the bin.`));
  if (liquor.ph !== null && (above(liquor.ph, 11) || above(2.5, liquor.ph)))
    found.push(say('caution', `${liquor.name} reads pH ${printNumber(liquor.ph)}: gloves and goggles; bring it nearer to neutral before goods go in.`));
  const [there, wanted] = [mostOf(knownOf(liquor.volumeMl)), step.water ? leastOf(plannedKnown(step.water)) : null];
  if (there !== null && wanted !== null && above(wanted, there))
    found.push(
      say(
        'caution',
        `${liquor.name} holds ${printVolume(there)}, and ${printVolume(wanted)} of it are wanted: take less, or top up with water and expect it paler.`,
      ),
    );
  if (liquor.uses >= USED_UP_AFTER)
    found.push(say('note', `${liquor.name} has given ${liquor.uses} baths: most are spent by then. Try a strip first, or make a fresh one.`));
  return found;
}

/** A look that is due often, while nobody is there: the plan stands, and it is said. */
function looksUnseen(step: Step, { away }: Context, print: (ms: number) => string): Finding[] {
  return step.phases.flatMap((phase, i): Finding[] => {
    const at = step.phaseTimes[i];
    if ((phase.kind !== 'soak' && phase.kind !== 'until') || phase.checkEveryMin === null || phase.checkEveryMin > OFTEN_LOOK_MIN || !at) return [];
    const everyMs = phase.checkEveryMin * 60_000;
    const gap = away.find((one) => Math.min(one.toMs, at.toMs) - Math.max(one.fromMs, at.fromMs) > everyMs);
    if (!gap) return [];
    const text = `A look is due every ${printDuration(phase.checkEveryMin)}, and nobody is there from ${print(gap.fromMs)} to ${print(gap.toMs)}. Move it, or let it go unseen.`;
    return [{ rule: 'looks', severity: 'caution', stepId: step.id, text }];
  });
}

/** A look as often as this is meant to be made; a daily one may wait for the morning. */
const OFTEN_LOOK_MIN = 60;

/** A dye liquor that no goods ever go into. */
function unusedBath(step: Step, index: number, { steps, sketches }: Context): Finding[] {
  if (step.kind !== 'extract' || step.lotIds.length > 0 || step.bathId !== step.id || !sketches[index]) return [];
  const isUsed = steps.some((one) => one.lotIds.length > 0 && (one.bathId === step.bathId || one.pouredFrom?.includes(step.id)));
  if (isUsed) return [];
  return [
    { rule: 'bath', severity: 'caution', stepId: step.id, text: 'Nothing is dyed in this bath. Let a dyebath use it, keep it for later, or leave it out.' },
  ];
}

/** The method wants a dyestuff and nobody chose one: the times stand, the grams do not. */
const missingDyestuff = (step: Step): Finding[] =>
  step.additions.some((addition) => addition.substance === UNKNOWN_PLANT)
    ? [{ rule: 'dyestuff', severity: 'stop', text: 'Choose what to dye with. Until then its weight is unknown.', stepId: step.id }]
    : [];

/** The kitchen lacks the vessel: said once, at the first step that needs it. */
function missingVessel(index: number, { sketches, steps }: Context): Finding[] {
  const vessel = sketches[index]?.vessel;
  const step = steps[index];
  if (!vessel || !step || !isNeeded(vessel) || sketches.slice(0, index).some((one) => one.vessel?.id === vessel.id)) return [];
  const text = `It takes a ${neededText(vessel)}${vessel.heatSourceId ? ', on the heat' : ''}, and there is none that suits. Add one, and it can be started.`;
  return [{ rule: 'vessel', severity: 'stop', text, stepId: step.id }];
}
