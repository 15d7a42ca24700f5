import { weighsWell } from '../../dose/solutions';
import { scaleFor } from '../../kitchen/scale';
import { above, atLeast } from '../../measure/limits';
import { printMass, printNumber } from '../../measure/print';
import { blockedText } from '../data/blocked';
import type { Content } from '../facts';
import { caution, clear, note, type Rule, type Said, stop, stopUnlessReason } from '../rule';

/** Rules on what is weighed in: safety handbook section 6, R1-R6 and R25. */

const METALS = ['copperSulfate', 'tinChloride'];
const NEED_LABEL = ['ironSulfate', 'ironLiquor', 'copperSulfate', 'tinChloride', 'vinegar', 'ammonia', 'peroxide', 'bleach'];
const SMALL_MATTERS = ['ironSulfate', 'copperSulfate', 'tinChloride', 'lye', 'dithionite', 'thioureaDioxide'];

/** Strength on the label at (or above) which it is more than a household product, %: safety handbook R25 and section 2. */
const STRENGTH_LIMITS: Readonly<Record<string, { readonly cautionPct: number | null; readonly stopPct: number; readonly orAt: boolean }>> = {
  vinegar: { cautionPct: 10, stopPct: 25, orAt: true },
  peroxide: { cautionPct: 3, stopPct: 12, orAt: false },
  // Any bleach is cautioned about by its dose rule.
  bleach: { cautionPct: null, stopPct: 6, orAt: false },
};

function doseSaid({ assistant, name, wofPct, gPerL, reckonedAs }: Content): readonly Said[] {
  const limit = assistant?.limit;
  if (!limit) return clear;
  const anyDose = caution(`${name}: ${limit.why}. ${assistant.inBrief}`);
  const dose = limit.per === 'wofPct' ? wofPct : gPerL;
  // What is cautioned about at any dose is so without a figure too.
  if (dose === null) return limit.cautionAbove === 0 ? anyDose : clear;
  const unit = limit.per === 'wofPct' ? '%' : 'g/L';
  const text = (bound: number) =>
    `${printNumber(dose)} ${unit} ${name}${reckonedAs === null ? '' : ` (reckoned as ${reckonedAs})`} is above the ${printNumber(bound)} ${unit} many dyers use: ${limit.why}. Check grams and fibre weight.`;
  if (limit.stopAbove !== null && above(dose, limit.stopAbove))
    return limit.stopNeedsReason ? stopUnlessReason(text(limit.stopAbove)) : stop(text(limit.stopAbove));
  if (!above(dose, limit.cautionAbove)) return clear;
  return limit.cautionAbove === 0 ? anyDose : caution(text(limit.cautionAbove));
}

export const DOSE_RULES: readonly Rule[] = [
  {
    id: 'R1',
    about: 'substances that are not supported at all',
    check: ({ contents }) => contents.flatMap(({ name }) => stop(blockedText(name) ?? '').filter((said) => said.text !== '')),
  },
  {
    id: 'R2',
    about: 'doses above what many dyers use',
    // Iron on wool and silk has a rule of its own.
    check: ({ contents, protein }) => contents.filter((content) => !(protein && content.substance === 'ironSulfate')).flatMap(doseSaid),
  },
  {
    id: 'R3',
    about: 'iron on wool and silk, over the whole session',
    check: ({ contents, protein, ironBeforePct, ironHotMin }) => {
      const iron = contents.find((content) => content.substance === 'ironSulfate' || content.substance === 'ironLiquor');
      if (!iron || !protein) return clear;
      const totalPct = ironBeforePct + (iron.wofPct ?? 0);
      const text = `Iron weakens wool and silk over years. ${iron.wofPct === null ? 'Unweighed' : `${printNumber(totalPct)} %`}, ${printNumber(ironHotMin)} min hot: shorten the dip, rinse well, expect a harsher hand.`;
      if (above(totalPct, 6)) return stopUnlessReason(text);
      return above(totalPct, 4) || above(ironHotMin, 10) ? caution(text) : clear;
    },
  },
  {
    id: 'R4',
    about: 'copper and tin: the leftovers',
    check: ({ contents }) =>
      contents
        .filter((content) => METALS.includes(content.substance))
        .flatMap(({ name }) => caution(`${name} bath: keep the leftovers in a labelled, lidded tub. Your waste service decides where it goes.`)),
  },
  {
    id: 'R5',
    about: 'which form or strength the label gives',
    check: ({ contents }) =>
      contents
        .filter((content) => content.labelMissing)
        .flatMap(({ substance, name }) => {
          const text = `${name}: which form or strength is on the label? The right dose can differ about twofold or more.`;
          return NEED_LABEL.includes(substance) ? stop(text) : note(text);
        }),
  },
  {
    id: 'R6',
    about: 'a mass the scale cannot weigh well',
    check: ({ contents, home }) =>
      contents
        .filter((content) => SMALL_MATTERS.includes(content.substance))
        .flatMap(({ grams, name }) => {
          const scale = grams === null ? null : scaleFor(home.scales, grams);
          if (grams === null || grams === 0 || !scale || weighsWell(grams, scale.readsToG)) return clear;
          return caution(
            `${printMass(grams)} ${name} on a scale reading ${printMass(scale.readsToG)} can be far off. Make a stock solution and measure by volume.`,
          );
        }),
  },
  {
    id: 'R25',
    about: 'acid and peroxide stronger than the kitchen’s',
    check: ({ contents }) =>
      contents.flatMap(({ substance, strengthPct }) => {
        const limit = STRENGTH_LIMITS[substance];
        if (!limit || strengthPct === null) return clear;
        const text = `${printNumber(strengthPct)} % is stronger than kitchen or first-aid grade. Goggles, gloves, label; or buy weaker.`;
        const beyond = (limitPct: number) => (limit.orAt ? atLeast(strengthPct, limitPct) : above(strengthPct, limitPct));
        if (beyond(limit.stopPct)) return stop(text);
        return limit.cautionPct !== null && beyond(limit.cautionPct) ? caution(text) : clear;
      }),
  },
];
