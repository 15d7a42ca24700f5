import { above, atLeast } from '../../measure/limits';
import { printNumber } from '../../measure/print';
import type { Assistant } from '../../shelf/assistant';
import type { Shelf } from '../../shelf/lookup';
import { plainContent } from '../content';
import { type Content, has, nameOf, reacts, type StepFacts } from '../facts';
import { caution, clear, note, type Rule, type Said, stop } from '../rule';

/** What must not meet: safety handbook section 3 (X1-X16) and R19-R24. */

/** Litres of CO2 at 25 °C from a gram of carbonate, acid in excess (settled). */
const CO2_L_PER_G: Readonly<Record<string, number>> = { bakingSoda: 0.291, sodaAsh: 0.231, washingSoda: 0.231 / 2.7, chalk: 0.245 };

/** Gas that acid frees from the carbonates in a bath, L; null when a weight is unknown; 0 when there is no such pair. */
export function fizzL(facts: Pick<StepFacts, 'contents'>): number | null {
  if (!reacts(facts, 'acid') || !reacts(facts, 'carbonate')) return 0;
  let litres = 0;
  for (const { substance, grams, assistant } of facts.contents) {
    if (!assistant?.reacts.includes('carbonate')) continue;
    const perG = CO2_L_PER_G[substance];
    if (grams === null || perG === undefined) return null;
    litres += grams * perG;
  }
  return litres;
}

const pair = (id: string, about: string, meets: (facts: StepFacts) => boolean, say: (facts: StepFacts) => readonly Said[]): Rule => ({
  id,
  about,
  // What was put in before, in the same bath, meets it too.
  check: (facts) => {
    const bath = { ...facts, contents: facts.inBath };
    return meets(bath) ? say(bath) : clear;
  },
});

type Family = (content: Content) => boolean;
const family =
  (...kinds: readonly Assistant['reacts'][number][]): Family =>
  ({ assistant }) =>
    assistant?.reacts.some((kind) => kinds.includes(kind)) ?? false;
const named =
  (...ids: readonly string[]): Family =>
  ({ substance }) =>
    ids.includes(substance);
const either =
  (...families: readonly Family[]): Family =>
  (content) =>
    families.some((one) => one(content));

interface Meeting {
  readonly inBath: Content;
  readonly before: Content;
  /** Where the earlier one still is. */
  readonly where: string;
}

/** One of a pair goes in while the other was last in this vessel, or is still on the goods with no rinse between. */
function meeting({ contents, inBath, lastInVessel, onGoods, vessel }: StepFacts, a: Family, b: Family): Meeting | null {
  for (const [own, other] of [
    [a, b],
    [b, a],
  ] as const) {
    const now = contents.find(own);
    if (!now || inBath.some(other)) continue;
    const inVessel = lastInVessel.find(other);
    if (inVessel) return { inBath: now, before: inVessel, where: `in ${vessel?.name ?? 'this vessel'}` };
    const onThem = onGoods.find(other);
    if (onThem) return { inBath: now, before: onThem, where: 'on the goods' };
  }
  return null;
}

const across = (id: string, about: string, a: Family, b: Family, say: (meeting: Meeting) => readonly Said[]): Rule => ({
  id,
  about,
  check: (facts) => {
    const met = meeting(facts, a, b);
    return met ? say(met) : clear;
  },
});

/** Scrap metal for iron liquor: somebody's own substance, by its name. */
const SCRAP = /\b(rust\w*|scrap|nails?|iron (wool|filings|scraps?)|steel wool)\b/i;
/** Words that say a vessel stands in the sun: it warms like on a low heat (safety handbook X17). */
const IN_THE_SUN = /\bsun(ny)?\b/i;
/** Nothing of the starter shelf; somebody's own substance may be. */
const URINE = /\b(urine|manure|dung)\b/i;

const BARE = ['aluminium', 'zinc', 'galvanised', 'tinned'];

/** What ferments though it is no dyestuff: somebody's own substance, by its name. */
const FERMENTS = /\b(bran|flour|meal|malt|yeast|sugar|honey|molasses|fruit|starter|whey|sourdough)\b/i;
const ferments = ({ contents }: Mixed): boolean => contents.some(({ name }) => FERMENTS.test(name));

type Mixed = Pick<StepFacts, 'contents'>;
interface Mix {
  readonly id: string;
  readonly about: string;
  readonly meets: (mixed: Mixed) => boolean;
  readonly say: (mixed: Mixed) => readonly Said[];
}
const mix = (id: string, about: string, meets: Mix['meets'], say: Mix['say']): Mix => ({ id, about, meets, say });

/** Stuffs that must not meet in any vessel, drain or waste jug, whatever else is true of the step. */
const MIXES: readonly Mix[] = [
  mix(
    'X1',
    'bleach and acid',
    (f) => reacts(f, 'bleach') && reacts(f, 'acid'),
    (f) => stop(`Bleach with ${nameOf(f, 'acid')} makes chlorine gas. Different vessel, day and drain flush.`),
  ),
  mix(
    'X2',
    'bleach and ammonia',
    (f) => reacts(f, 'bleach') && reacts(f, 'ammonia', 'ammoniumSalt'),
    (f) => stop(`Bleach with ${nameOf(f, 'ammonia', 'ammoniumSalt')} makes harmful gas. Different vessel, day and drain flush.`),
  ),
  mix(
    'X3',
    'bleach and peroxide, alcohol or a reducer',
    (f) => reacts(f, 'bleach') && (has(f, 'peroxide') || reacts(f, 'alcohol', 'reducer')),
    (f) =>
      stop(
        `Bleach with ${has(f, 'peroxide') ? 'peroxide' : nameOf(f, 'alcohol', 'reducer')} gives violent gas and heat. Different vessel, day and drain flush.`,
      ),
  ),
  mix(
    'X12',
    'alkali and ammonium alum',
    (f) => has(f, 'ammoniumAlum') && f.contents.some((c) => c.assistant?.reacts.includes('alkali') && c.substance !== 'chalk'),
    () => caution('Alkali frees ammonia from ammonium alum. Window open, or swap to potassium alum.'),
  ),
];

/** What is to be said when all this comes together in one jug. @param substances ids; amounts are not looked at */
export function mixing(substances: readonly string[], shelf: Shelf): readonly (Said & { readonly rule: string })[] {
  const contents = [...new Set(substances)].map((substance) => plainContent(substance, shelf));
  const said = MIXES.flatMap(({ id, meets, say }) => (meets({ contents }) ? say({ contents }).map((one) => ({ rule: id, ...one })) : []));
  if (fizzL({ contents }) === 0) return said;
  return [...said, ...caution('Acid and a carbonate fizz together: by the spoonful, in an open, half-full vessel.').map((one) => ({ rule: 'R20', ...one }))];
}

export const TOGETHER_RULES: readonly Rule[] = [
  across(
    'R21',
    'bleach where something it must not meet was last',
    family('bleach'),
    either(family('acid', 'ammonia', 'ammoniumSalt', 'alcohol', 'reducer'), named('peroxide')),
    ({ inBath, before, where }) =>
      stop(`${before.name} was last ${where}: with ${inBath.name} it can make harmful gas. Another vessel and day, rinsed twice between.`),
  ),
  across('X13', 'a reducer where acid was last', family('reducer'), family('acid'), ({ inBath, before, where }) =>
    stop(`${before.name} was last ${where}: with ${inBath.name} it frees sulphur gases. Rinse twice between, or take another vessel.`),
  ),
  across('X14', 'a reducer where an oxidiser was last', family('reducer'), family('oxidiser', 'bleach'), ({ inBath, before, where }) =>
    stop(`${before.name} was last ${where}: with ${inBath.name} it heats up fast. Rinse twice between, or take another vessel.`),
  ),
  across(
    'X16',
    'peroxide where vinegar, copper or iron was last',
    named('peroxide'),
    named('vinegar', 'copperSulfate', 'ironSulfate', 'ironLiquor'),
    ({ inBath, before, where }) => caution(`${before.name} was last ${where}: with ${inBath.name} it makes gas and holes in fibre. Rinse between them.`),
  ),
  across('emptied', 'sour after alkaline in one vessel, or the other way round', family('acid'), family('alkali', 'carbonate'), ({ inBath, before, where }) =>
    note(`${before.name} was last ${where}: it uses up ${inBath.name}. Empty and rinse first.`),
  ),
  ...MIXES.map(({ id, about, meets, say }) => pair(id, about, meets, say)),
  pair(
    'R20',
    'acid and carbonate in an open vessel',
    (f) => f.lid !== 'sealed' && fizzL(f) !== 0,
    (f) => {
      const litres = fizzL(f);
      const bathL = (f.waterMl ?? 0) / 1000;
      const full = above(f.fit?.fillPct ?? 100, 50);
      if (litres !== null && !(above(litres, 0.5 * bathL) || (above(litres, 0.1 * bathL) && full))) return clear;
      return caution(
        `This fizzes: about ${litres === null ? 'an unknown amount' : `${printNumber(litres)} L`} of gas. Add by the spoonful in an open, half-full pot.`,
      );
    },
  ),
  pair(
    'R19',
    'closed and making gas, or closed and warm',
    (f) =>
      f.lid === 'sealed' &&
      (fizzL(f) !== 0 || f.heated || IN_THE_SUN.test(f.words) || (atLeast(f.wetMin, 1440) && (f.plantIn || ferments(f))) || has(f, 'ironLiquor')),
    () => stop('A closed jar can burst here. Loosen the lid or use a vented one, headspace at least 10 %.'),
  ),
  pair(
    'X9',
    'iron scraps in acid',
    (f) => reacts(f, 'acid') && f.contents.some(({ name }) => SCRAP.test(name)) && (f.lid === 'sealed' || f.heated || f.heatSource !== null),
    () => stop('Iron in acid frees hydrogen, and pressure. A loose lid, and away from every flame and hob.'),
  ),
  pair(
    'X18',
    'a jar that ferments, opened daily',
    (f) => f.lid === 'openedDaily' && atLeast(f.wetMin, 1440) && f.plantIn,
    () => caution('Gas builds in a fermenting jar: open it daily, away from the face, or use a cloth lid.'),
  ),
  pair(
    'X7',
    'strong alkali in a metal that it eats',
    (f) => reacts(f, 'strongAlkali') && BARE.includes(f.vessel?.material ?? ''),
    (f) =>
      has(f, 'lye')
        ? stop(`Lye eats ${f.vessel?.material} and frees hydrogen. Use stainless, enamel or plastic.`)
        : caution(`Alkali eats ${f.vessel?.material} and frees hydrogen. Use steel, enamel or plastic.`),
  ),
  pair(
    'X8',
    'acid in zinc',
    (f) => reacts(f, 'acid') && ['galvanised', 'zinc'].includes(f.vessel?.material ?? ''),
    () => stop('Acid frees hydrogen and zinc from this vessel. Use stainless, enamel, glass or plastic.'),
  ),
  pair(
    'metalMoves',
    'a vessel whose metal goes into the bath',
    (f) =>
      (['copper', 'iron'].includes(f.vessel?.material ?? '') && f.contents.length > 0) ||
      (f.vessel?.material === 'aluminium' && reacts(f, 'acid') && !reacts(f, 'strongAlkali')),
    (f) => caution(`${f.vessel?.name} is ${f.vessel?.material}: its metal goes into the bath and shifts the colour.`),
  ),
  pair(
    'R22',
    'lye',
    (f) => has(f, 'lye'),
    (f) =>
      above(f.startC, 30)
        ? stop('Lye into warm water spatters and boils. Cold water first, powder into water.')
        : caution('Lye burns skin and eyes. Goggles, gloves, cold water first, powder into water.'),
  ),
  pair(
    'X10',
    'slaked lime, as it is weighed',
    (f) => has(f, 'slakedLime'),
    () => caution('Lime dust blinds. Goggles and mask before you open the tub; lime into water, slowly.'),
  ),
  pair(
    'P15',
    'urine and manure vats',
    (f) => f.contents.some(({ name }) => URINE.test(name)),
    (f) =>
      reacts(f, 'bleach')
        ? stop('Bleach with urine or manure makes harmful gas. Different vessel, day and drain flush.')
        : caution('Urine and manure give off ammonia and carry germs: gloves, outdoors, hands washed.'),
  ),
  pair(
    'R23',
    'reducers',
    (f) => reacts(f, 'reducer'),
    (f) => {
      if (reacts(f, 'acid') || reacts(f, 'oxidiser') || (f.ph !== null && !atLeast(f.ph, 7)))
        return stop('Keep reducer dry and away from acid. Stink or smoke: get out, call for help.');
      return f.heated && above(f.hottestC ?? 100, 60)
        ? caution('A reducer above 60 °C breaks down and stinks. Keep it cooler, window open.')
        : caution('Damp reducer heats itself up: dry spoon, its own tub, closed and cool. Powder into plenty of water.');
    },
  ),
  pair(
    'R24',
    'ammonia',
    (f) => has(f, 'ammonia'),
    (f) => {
      const strong = f.contents.some((c) => c.substance === 'ammonia' && above(c.strengthPct ?? 0, 10));
      const hot = f.heated && above(f.hottestC ?? 100, 40);
      return strong || hot
        ? stop('Ammonia vapour burns eyes and lungs. Cold, outdoors, weak strength only.')
        : caution('Ammonia vapour burns eyes and lungs. Outdoors or at an open window, cold.');
    },
  ),
  pair(
    'X16',
    'peroxide with acid, copper or iron',
    (f) => has(f, 'peroxide') && has(f, 'vinegar', 'copperSulfate', 'ironSulfate', 'ironLiquor'),
    (f) =>
      f.lid === 'sealed'
        ? stop('Peroxide with this makes gas fast: never closed. Rinse between them.')
        : caution('Peroxide with acid, copper or iron makes gas fast and holes in fibre: rinse between them.'),
  ),
  pair(
    'X21',
    'alcohol and heat',
    (f) => reacts(f, 'alcohol') && (f.heated || f.heatSource !== null),
    () => stop('Alcohol vapour catches fire at room temperature. Cold steep, no flame or hob in the room.'),
  ),
];
