import { above, atLeast } from '../../measure/limits';
import { printNumber } from '../../measure/print';
import { has, reacts, type StepFacts } from '../facts';
import { caution, clear, note, type Rule, type Said, stop, stopUnlessReason } from '../rule';

/** Turning the goods over now and then is no agitation; more often than this is. Our estimate. */
const OFTEN_MIN = 5;

const ALUMS = ['alum', 'ammoniumAlum', 'aluminiumAcetate', 'aluminiumTriformate'];

function jumped({ wool, comeFromC, startC, coolFirstMin }: StepFacts): readonly Said[] {
  if (wool && coolFirstMin > 0) return note(`Let the goods cool about ${coolFirstMin} min in the air first: a sudden change can felt wool.`);
  if (!wool || comeFromC === null || !above(Math.abs(comeFromC - startC), 15)) return clear;
  return caution(`A ${Math.round(Math.abs(comeFromC - startC))} °C jump can felt wool. Let it cool, or match the rinse temperature.`);
}

const stirredOften = ({ wool, goodsIn, heated, hottestC, stirEveryMin, still }: StepFacts): readonly Said[] =>
  wool && goodsIn && heated && !still && stirEveryMin !== null && !atLeast(stirEveryMin, OFTEN_MIN) && above(hottestC ?? 100, 60)
    ? caution(`Stirred every ${printNumber(stirEveryMin)} min above 60 °C, wool can felt. Move it seldom and gently.`)
    : clear;

/** R8: how fast wool is heated, planned or as it was read. @param cPerMin average rise above 40 °C */
export function riseSaid(cPerMin: number): readonly Said[] {
  if (!above(cPerMin, 1)) return clear;
  const text = `Heating at ${cPerMin.toFixed(2)} °C/min can felt wool. Aim near 1 °C a minute and leave it still.`;
  return above(cPerMin, 1.5) ? caution(text) : note(text);
}

/** Rules on what harms the fibre: safety handbook section 6, R7-R11, X4. Wool here means wool and other animal hair. */
export const FIBRE_RULES: readonly Rule[] = [
  {
    id: 'R7',
    about: 'hot hair and silk',
    check: ({ wool, silk, hottestC, heated, still }) => {
      if (!heated || hottestC === null) return clear;
      const text = `${printNumber(hottestC)} °C can felt wool or dull silk. Hold lower, no rolling boil.`;
      // Bundled, unstirred goods felt less (safety handbook section 7).
      if ((wool || silk) && above(hottestC, 95)) return still ? note(text) : caution(text);
      return silk && above(hottestC, 85) ? note(text) : clear;
    },
  },
  {
    id: 'R8',
    about: 'heating hair fast',
    check: ({ wool, rateCPerMin, still }) => {
      // Goods that lie still in steam or a roll do not felt by the rise.
      return !wool || still || rateCPerMin === null ? clear : riseSaid(rateCPerMin);
    },
  },
  { id: 'R9', about: 'wool that changes baths hot, or is stirred often in one', check: (facts) => [...jumped(facts), ...stirredOften(facts)] },
  {
    id: 'R10',
    about: 'alkali on wool and silk',
    check: ({ protein, ph, heated, hottestC, startC, alkaliMin }) => {
      if (!protein || ph === null) return clear;
      const c = heated ? (hottestC ?? 100) : Math.max(startC, hottestC ?? startC);
      const text = `pH ${printNumber(ph)} at ${printNumber(c)} °C eats wool and silk. Cool it, lower the pH, or shorten the dip.`;
      if (above(ph, 11)) return stopUnlessReason(text);
      return (above(ph, 9) && above(c, 50)) || (above(ph, 10) && above(alkaliMin, 10)) ? caution(text) : clear;
    },
  },
  {
    id: 'R11',
    about: 'hot or dried-in acid on plant fibre',
    check: ({ cellulose, ph, heated, hottestC, driesSour }) => {
      if (!cellulose) return clear;
      const hotSour = ph !== null && !atLeast(ph, 3) && heated && atLeast(hottestC ?? 100, 60);
      return hotSour || driesSour ? caution('Hot or dried-in acid tenders cotton and linen. Rinse or neutralise before drying.') : clear;
    },
  },
  {
    id: 'X4',
    about: 'bleach on wool, silk and hair',
    check: (facts) =>
      facts.protein && reacts(facts, 'bleach') ? stop('Bleach dissolves wool and silk, with heat and fumes. Keep it off them altogether.') : clear,
  },
  {
    id: 'dyeCeiling',
    about: 'a dyestuff’s own heat limit',
    check: ({ contents, dyestuffs, hottestC, heated }) => {
      if (!heated) return clear;
      const dyes = [...new Set([...dyestuffs, ...contents.flatMap((content) => content.dyestuff ?? [])])];
      return dyes.flatMap(({ name, maxC, mordant }) => {
        if (mordant === 'vat') return caution(`${name} does not dye from a hot bath: it wants a vat of its own.`);
        if (maxC === null || !above(hottestC ?? 100, maxC)) return clear;
        return caution(`${name} loses its colour above ${printNumber(maxC)} °C: hold it lower.`);
      });
    },
  },
  {
    id: 'ceiling',
    about: 'a band or a reading above the step’s own ceiling',
    check: ({ hottestC, ceilingC }) =>
      hottestC !== null && ceilingC !== null && above(hottestC, ceilingC)
        ? caution(`${printNumber(hottestC)} °C is above the ceiling of ${printNumber(ceilingC)} °C. Lower it, or turn the heat down.`)
        : clear,
  },
  {
    id: 'paste',
    about: 'heat and steam on a paste',
    // Trade handbook section 12 (common practice, no source).
    check: ({ paste, heated, kind, vessel }) => {
      if (!heated) return clear;
      if (paste === 'on')
        return caution('A paste of vinegar, iron and lime is never steamed or heated: drying with its lime fixes it. Dry it fully and wash the gum out first.');
      return paste === 'washedOut' && (kind === 'bundle' || vessel?.kind === 'steamer')
        ? caution('What was painted with this paste wants no steam: drying with its lime has fixed it. Leave the steaming out, or try it on a scrap.')
        : clear;
    },
  },
  {
    id: 'apart',
    about: 'iron and alum in one soak',
    check: (facts) => {
      const bath = { contents: facts.inBath };
      if (has(bath, 'ironSulfate', 'ironLiquor') && has(bath, ...ALUMS))
        return caution('Iron darkens alum goods in the same soak. Give the iron a vessel of its own.');
      if (facts.ironGoodsMixed) return caution('Goods with iron and goods without in one bath: the iron darkens the others. Give them baths of their own.');
      // A pot that held iron keeps some of it, whatever the next bath is for.
      return has({ contents: facts.lastInVessel }, 'ironSulfate', 'ironLiquor') &&
        !has(bath, 'ironSulfate', 'ironLiquor') &&
        // Goods that carry iron themselves lose nothing by it.
        !has({ contents: facts.onGoods }, 'ironSulfate', 'ironLiquor') &&
        facts.goodsIn
        ? caution(`${facts.vessel?.name ?? 'This vessel'} last held iron: traces darken what comes after. Scrub it, or take another.`)
        : clear;
    },
  },
];
