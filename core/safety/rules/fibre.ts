import { printNumber } from '../../measure/print';
import { has, reacts } from '../facts';
import { caution, clear, note, type Rule, stop, stopUnlessReason } from '../rule';

/** Rules on what harms the fibre: safety handbook section 6, R7-R11, X4. Wool here means wool and other animal hair. */
export const FIBRE_RULES: readonly Rule[] = [
  {
    id: 'R7',
    about: 'hot hair and silk',
    check: ({ wool, silk, hottestC, heated, still }) => {
      if (!heated || hottestC === null) return clear;
      const text = `${printNumber(hottestC)} °C can felt wool or dull silk. Hold lower, no rolling boil.`;
      // Bundled, unstirred goods felt less (safety handbook section 7).
      if ((wool || silk) && hottestC > 95) return still ? note(text) : caution(text);
      return silk && hottestC > 85 ? note(text) : clear;
    },
  },
  {
    id: 'R8',
    about: 'heating hair fast',
    check: ({ wool, rateCPerMin }) => {
      if (!wool || rateCPerMin === null || rateCPerMin <= 1) return clear;
      const text = `Heating at ${rateCPerMin.toFixed(2)} °C/min can felt wool. Aim near 1 °C a minute and leave it still.`;
      return rateCPerMin > 1.5 ? caution(text) : note(text);
    },
  },
  {
    id: 'R9',
    about: 'wool from a hot bath into a cold one',
    check: ({ wool, comeFromC, startC }) => {
      if (!wool || comeFromC === null || Math.abs(comeFromC - startC) <= 15) return clear;
      return caution(`A ${Math.round(Math.abs(comeFromC - startC))} °C jump can felt wool. Let it cool, or match the rinse temperature.`);
    },
  },
  {
    id: 'R10',
    about: 'alkali on wool and silk',
    check: ({ protein, ph, heated, hottestC, alkaliMin }) => {
      if (!protein || ph === null) return clear;
      const c = heated ? (hottestC ?? 100) : 20;
      const text = `pH ${printNumber(ph)} at ${printNumber(c)} °C eats wool and silk. Cool it, lower the pH, or shorten the dip.`;
      if (ph > 11) return stopUnlessReason(text);
      return (ph > 9 && c > 50) || (ph > 10 && alkaliMin > 10) ? caution(text) : clear;
    },
  },
  {
    id: 'R11',
    about: 'hot or dried-in acid on plant fibre',
    check: ({ cellulose, ph, heated, hottestC, driesSour }) => {
      if (!cellulose) return clear;
      const hotSour = ph !== null && ph < 3 && heated && (hottestC ?? 100) >= 60;
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
    check: ({ contents, hottestC, heated }) =>
      contents.flatMap(({ dyestuff, name }) =>
        dyestuff?.maxC !== undefined && dyestuff?.maxC !== null && heated && (hottestC ?? 100) > dyestuff.maxC
          ? caution(`${name} browns above ${printNumber(dyestuff.maxC)} °C: hold it lower.`)
          : clear,
      ),
  },
  {
    id: 'apart',
    about: 'iron and alum in one soak',
    check: (facts) =>
      has(facts, 'ironSulfate') && has(facts, 'alum', 'aluminiumAcetate')
        ? caution('Iron darkens alum goods in the same soak. Give the iron a vessel of its own.')
        : clear,
  },
];
