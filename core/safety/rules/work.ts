import { boilingC } from '../../heat/boiling';
import { lossL } from '../../heat/boilOff';
import { steamerDryMin, steamerLookMin } from '../../heat/steamer';
import { isOfMetal } from '../../kitchen/vessel';
import { above, atLeast } from '../../measure/limits';
import { printNumber, printVolume } from '../../measure/print';
import { plantRow, plantRowsFor } from '../data/plants';
import { has, reacts, type StepFacts } from '../facts';
import { caution, clear, note, type Rule, type Said, stop } from '../rule';

/** Rules on pots, heat, steam, soaks, places and plants: safety handbook sections 4 and 6 (R12-R18, R26-R29, P7-P14). */

/** Words that say a bath is left to itself. */
const LEFT_ALONE =
  /\bover[ -]?night\b|\b(?:un)?till? (?:the )?(?:next )?morning\b|\ball night\b|(?<!\b(?:not|never|don['’]t|nor) )\bleave it\b(?! to cool| off)|(?<!\b(?:not|never) (?:be )?)\bleft alone\b|(?<!\b(?:not|never|don['’]t) )\bleave (?:it )?on (?:a )?(?:low|simmer)|\bleft on (?:a )?low\b/i;

/** From here on what rises when a lid is lifted burns: our estimate, °C. */
const STEAMS_C = 70;
/** Points that foam takes on top. */
const FOAM_PCT = 10;
/** Below this a bath hardly covers the bottom of its pot: our estimate. */
const SHALLOW_PCT = 8;

/** What is eaten or drunk by people in any case: a shared cup or pot is a caution for these, not a stop (section 7). */
const FOOD = [
  'onionSkin',
  'onionSkinRed',
  'blackBean',
  'blackRice',
  'redCabbage',
  'purpleCarrot',
  'carrotTops',
  'turmeric',
  'curry',
  'saffron',
  'hibiscus',
  'butterflyPea',
  'avocadoPit',
  'avocadoSkin',
  'pomegranate',
  'coffee',
  'teaBlack',
  'teaBlackLemon',
  'teaChamomile',
  'teaFruit',
  'teaGreen',
  'vinegar',
  'lemonJuice',
  'bakingSoda',
  'creamOfTartar',
];
const foodOnly = (facts: Pick<StepFacts, 'contents'>): boolean => facts.contents.every((content) => FOOD.includes(content.substance));
const metalSalt = (facts: Pick<StepFacts, 'contents'>): boolean => facts.contents.some((content) => content.assistant?.group === 'mordant');

function steamer(facts: StepFacts): readonly Said[] {
  if (facts.vessel?.kind !== 'steamer' && facts.kind !== 'bundle') return clear;
  if (!facts.heated) return clear;
  const dryMin = steamerDryMin(facts.waterMl, facts.heatSource?.maxW ?? null);
  if (dryMin === null) return caution('How long the steamer’s water lasts is unknown. Keep a kettle ready and look every 15 min.');
  const checkMin = steamerLookMin(dryMin);
  const text = `Water may be gone in about ${Math.floor(dryMin)} min. Check every ${checkMin} min and keep a kettle ready.`;
  // Between top-ups the water must last.
  const marks = [0, ...facts.topUpsMin, facts.holdMin];
  const longestMin = Math.max(...marks.slice(1).map((mark, i) => mark - (marks[i] ?? 0)));
  return above(longestMin, dryMin) ? stop(text) : caution(text);
}

function shared(facts: StepFacts): readonly Said[] {
  const { vessel, contents, onGoods, goodsIn } = facts;
  if (!vessel || vessel.dyeOnly) return clear;
  // What a rinse takes off the goods goes into its tub, too.
  const rinsesMetal = goodsIn && metalSalt({ contents: onGoods });
  if (contents.length === 0 && !rinsesMetal) return clear;
  if (!rinsesMetal && !metalSalt(facts) && !reacts(facts, 'strongAlkali') && foodOnly(facts)) {
    return caution(`${vessel.name} is shared with food. Food-only contents here; keep it for dyeing from now on.`);
  }
  return stop(`${vessel.name} is still shared with food. Use dye equipment here, and keep it out of the kitchen for good.`);
}

function plants({ contents }: StepFacts): readonly Said[] {
  return contents.flatMap(({ dyestuff, name, source }) => {
    if (!dyestuff) return [];
    if (dyestuff.chemistry === 'lichen' && source === 'picked')
      return stop(`${name}: a living lichen grows a millimetre a year. Leave it; take only what wind and snow brought down.`);
    const row = dyestuff.plantRow ? plantRow(dyestuff.plantRow) : plantRowsFor(`${name} ${dyestuff.part}`)[0];
    if (!row) return [];
    const text = `${name}: ${row.trouble}. ${row.say}`;
    return row.severity === 'stop' ? stop(text) : row.severity === 'caution' ? caution(text) : note(text);
  });
}

export const WORK_RULES: readonly Rule[] = [
  {
    id: 'P1',
    about: 'hands in a hot bath',
    check: ({ handC }) => {
      if (handC === null || !above(handC, 43)) return clear;
      const c = printNumber(handC);
      return atLeast(handC, 50)
        ? caution(`${c} °C scalds within minutes, hotter within seconds. Tongs or lined gauntlets; chemical gloves do not stop heat.`)
        : note(`${c} °C is hot for bare hands. Tongs or lined gauntlets.`);
    },
  },
  {
    id: 'R12',
    about: 'how full the pot is',
    check: ({ fit, heated, hottestC, inBath, waterMl, vessel }) => {
      const brimMl = vessel?.litres ? vessel.litres * 1000 : null;
      // With an unknown weight in it, the water alone is the least there is.
      const leastPct = fit ? fit.fillPct : waterMl !== null && brimMl !== null ? (waterMl / brimMl) * 100 : null;
      if (leastPct === null) return clear;
      if (above(leastPct, 100)) return stop(`This overfills the vessel: ${printNumber(leastPct)} % of the brim. Use a bigger one or split the batch.`);
      if (!heated) return clear;
      // Soap and foaming extracts rise (P2).
      const foams = inBath.some((content) => content.assistant?.group === 'scour');
      const fillPct = leastPct + (foams ? FOAM_PCT : 0);
      const pct = `${fit ? '' : 'at least '}${printNumber(leastPct)} % full${foams ? ', and foam takes about 10 % more' : ''}`;
      if (above(fillPct, 90)) return stop(`Pot ${pct}: it can boil over and scald. Use a bigger pot or split the batch.`);
      // An unknown target counts as the worst plausible one.
      if (above(fillPct, 75) && atLeast(hottestC ?? 100, 80)) return caution(`Pot ${pct}: it can boil over and scald. Use a bigger pot or split the batch.`);
      return fit && vessel?.kind === 'pot' && !atLeast(leastPct, SHALLOW_PCT)
        ? caution(`Only ${printNumber(leastPct)} % of the pot: it covers hardly the bottom and boils away soon. Take a smaller pot.`)
        : clear;
    },
  },
  {
    id: 'R13',
    about: 'lifting liquid',
    check: ({ fit }) => (fit ? liftSaid(fit.totalKg, null) : clear),
  },
  {
    id: 'R14',
    about: 'heat with nobody there',
    // Worded with times by whoever has them: see planFindings.
    check: () => clear,
  },
  {
    id: 'R15',
    about: 'a rest with the heat on',
    // By its kind, or by its own words: heat that stays on over night or while it is left is no rest.
    check: ({ kind, heated, words, endsHeated }) =>
      (kind === 'rest' && heated) || (endsHeated && LEFT_ALONE.test(words))
        ? stop('Resting overnight means heat off and unplugged. Confirm the switch before you leave.')
        : clear,
  },
  {
    id: 'R16',
    about: 'long simmers',
    check: (facts) => {
      if (!facts.heated || facts.vessel?.kind === 'steamer') return clear;
      const loss = lossL({ ...facts, vesselL: facts.vessel?.litres ?? null, boilC: boilingC(facts.home.altitudeM) });
      const bathL = (facts.waterMl ?? 0) / 1000;
      if (above(facts.heatMin, 60) && above(facts.checkGapMin, 20))
        return caution('More than an hour on heat: look in every 20 min and top up with hot water before the level drops.');
      if (bathL <= 0 || !above(loss, 0.1 * bathL)) return clear;
      const gone = printVolume(Number(loss.toPrecision(1)) * 1000);
      return caution(
        above(loss, 0.5 * bathL)
          ? `About ${gone} of ${printVolume(facts.waterMl ?? 0)} boil off: cover it, and top up with hot water at every look.`
          : `About ${gone} boil off in all: top up with hot water at the looks.`,
      );
    },
  },
  { id: 'R17', about: 'a steamer running dry', check: steamer },
  {
    id: 'R18',
    about: 'steam under the lid',
    check: ({ vessel, heated, kind, lid, hottestC }) => {
      if (!heated) return clear;
      const said = 'Steam burns. Wait, tip the lid away from you, sleeves down.';
      if (vessel?.kind === 'steamer' || kind === 'bundle') return caution(said);
      // A pot under a lid steams too, from where steam burns (our estimate: 70 °C). Nearly every bath is one: said each time, but as a note,
      // or nobody reads the cautions any more.
      return lid !== 'none' && atLeast(hottestC ?? 100, STEAMS_C) ? note(said) : clear;
    },
  },
  {
    id: 'R26',
    about: 'sudden heat on glass',
    check: ({ vessel, startC, heated, hottestC, pouredBoiling }) =>
      vessel ? glassSaid(vessel.material, vessel.heatProof, Math.max(startC, pouredBoiling ? 100 : startC, heated ? (hottestC ?? 100) : startC) - 20) : clear,
  },
  {
    id: 'R27',
    about: 'appliances that are not for this step',
    check: (facts) => {
      const { heatSource, heated, kind } = facts;
      if (!heatSource || !heated) return clear;
      if ((heatSource.kind === 'campBurner' || heatSource.kind === 'charcoal') && !heatSource.outdoors)
        return stop(`${heatSource.name} is not for indoors: carbon monoxide has no smell. Outdoors, clear air.`);
      if (heatSource.kind === 'microwave') {
        if (facts.vessel && isOfMetal(facts.vessel.material))
          return stop(`${facts.vessel.name} is metal, and metal sparks in ${heatSource.name}. Take glass or ceramic that is marked for it.`);
        if (facts.lid === 'sealed' || metalSalt(facts)) return stop(`${heatSource.name} is not for this step: metal salts and sealed jars stay out of it.`);
        if (!foodOnly(facts) && !heatSource.dyeOnly)
          return stop(
            `${heatSource.name} is not for this step: dye plants stay out of a microwave that somebody cooks with. One for dyeing only is marked so at the shelf, Home.`,
          );
        return caution(`${heatSource.name}: watch for the boil-over, and keep it for dyeing afterwards.`);
      }
      return heatSource.kind === 'oven' && kind !== 'dry' ? stop(`${heatSource.name} is not for this step: dry heat scorches and hides a boil-over.`) : clear;
    },
  },
  {
    id: 'X20',
    about: 'pressure cookers',
    check: ({ vessel, goodsIn, plantIn, contents }) =>
      vessel?.kind === 'pressure' && (goodsIn || plantIn || contents.length > 0)
        ? stop(`${vessel.name} is a pressure cooker: fibre and leaves block its vent. Use an open-vented steamer or a pot.`)
        : clear,
  },
  { id: 'R28', about: 'plants that hurt', check: plants },
  {
    id: 'R29',
    about: 'warm and wet for days',
    check: ({ wetMin, plantIn, kind, still }) => {
      const h = Math.round(wetMin / 60);
      const text = `Warm and wet for ${h} h grows mould. Open, cool, or dry it; discard if fuzzy.`;
      if (kind === 'bundle' && still && above(wetMin, 1440)) return caution(text);
      if (kind === 'dry') return above(wetMin, 2880) ? note(text) : clear;
      if (!plantIn || !atLeast(wetMin, 1440)) return clear;
      return atLeast(wetMin, 4320) ? caution(text) : note(text);
    },
  },
  {
    id: 'P7',
    about: 'children and pets',
    check: ({ home, heated, hottestC, contents }) =>
      home.childrenOrPets &&
      ((heated && above(hottestC ?? 100, 50)) || contents.some((content) => content.assistant !== null && content.assistant.signal === 'Danger'))
        ? caution('Children or pets at home: hot pots, cords and powders out of reach, scraps in a lidded bin.')
        : clear,
  },
  { id: 'P8', about: 'food and dye apart', check: shared },
  {
    id: 'P9',
    about: 'air',
    check: (facts) => {
      const airy = facts.contents.some((content) => content.dyestuff?.plantRow && plantRow(content.dyestuff.plantRow)?.airy) && facts.heated;
      if (facts.heatSource?.outdoors) return clear;
      if (has(facts, 'bleach', 'tinChloride', 'dithionite')) return caution('Fumes: window open and moving air before you begin, or work outdoors.');
      if (has(facts, 'vinegar') && facts.heated && atLeast(facts.hottestC ?? 100, 40))
        return caution('Hot vinegar stings eyes and throat: window open, do not lean over the pot.');
      return airy ? caution('Its steam irritates: window open, do not lean over the pot.') : clear;
    },
  },
];

/** R13 / P3: above 12 kg a caution, above 15 kg with the jug; moved hot above 50 °C it cannot start. */
export function liftSaid(totalKg: number, movedAtC: number | null): readonly Said[] {
  if (!above(totalKg, 12)) return clear;
  const kg = printNumber(totalKg);
  if (movedAtC !== null && above(movedAtC, 50)) return stop(`${kg} kg of hot liquid and pot. Move it empty and fill in place; cool first.`);
  return caution(`${kg} kg of liquid and pot. Move it empty and fill in place; cool first.${above(totalKg, 15) ? ' Empty it by the jug first.' : ''}`);
}

/** R26 / P12: liquid so much hotter than the jar. */
export function glassSaid(material: string, heatProof: boolean, hotterK: number): readonly Said[] {
  if (material !== 'glass' || !above(hotterK, 30)) return clear;
  const text = `${Math.round(hotterK)} °C hotter than the jar: glass may crack. Warm the jar first or use steel.`;
  if (above(hotterK, 60) && !heatProof) return stop(text);
  return above(hotterK, 40) ? caution(text) : note(text);
}
