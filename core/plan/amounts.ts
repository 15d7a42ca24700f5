import type { Band } from '../chem/band';
import { bandsOf, byStrength, gramsPerLitre, perPiece, perPortion, portionsOf, shareOfBath } from '../dose/counts';
import { liquorVolume, perLitre, plantForRatio, wofDose } from '../dose/dose';
import { PRACTICE, type Working, work } from '../dose/working';
import { type Known, knownOf, oneOf } from '../figure';
import { KEPT_BATH, type Liquor } from '../liquor/liquor';
import type { AmountUnit } from '../measure/print';
import { type AdditionRule, type BathRule, type Method, type Ref, resolveRef, type StepTemplate } from '../method/method';
import { unreachable } from '../result';
import type { Dyestuff, PlantForm } from '../shelf/dyestuff';
import { FORMS, labelForm } from '../shelf/forms';
import type { Shelf } from '../shelf/lookup';
import type { PlantDetail } from '../shelf/plantDetail';
import type { DoseOf } from './blend';
import type { ChainItem, ExtraAddition } from './draft';
import type { PhAim } from './phAim';
import { phDose } from './phDose';
import type { PlannedAmount } from './plan';
import type { MorePlant, PlantAmount } from './plant';
import { BATH_IN_ALL } from './toPour';

/** Stands for the dyestuff while nobody has chosen one. */
export const UNKNOWN_PLANT = 'notChosen';

const WHOLE_NAME = 'dry weight of the fibre';
const SHARE_NAME = 'dry weight of what takes dye';

type Params = Readonly<Record<string, Known>>;

/** What the quantities of a step are worked out from. */
export interface Base {
  readonly params: Params;
  /** Dry weight that doses go by: of all of it, or of what takes dye. */
  readonly doseG: Known;
  readonly doseOf?: DoseOf | null | undefined;
  /** Dry weight that the water goes by. */
  readonly dryG: Known;
  readonly pieces: number | null;
  readonly waterMl: Known;
  /** Where the step's pH shall be; null: it aims at none. */
  readonly phAim: PhAim | null;
  /** The home's water, mg/L as CaCO3. */
  readonly alkalinityMgL: Band;
  readonly tapPh: Band;
  /** Of the bath while its pH counts, °C. */
  readonly tempC: number;
  readonly dyestuffId: string | null;
  /** The form of dyestuff that the method is for. */
  readonly form: PlantForm | null;
  readonly labels: Readonly<Record<string, string>>;
  readonly shelf: Shelf;
}

/** Bands of a dyestuff with a ceiling of its own: this far below it (estimates). */
const BELOW_CEILING_K = { low: 8, high: 2 } as const;

/** A method's usual figures, as its plants change them: the first one's own ratio in this form, the lowest heat limit of all. */
export function usualFor(method: Method, dyestuffs: readonly Dyestuff[]): Record<string, number | null> {
  const [dyestuff] = dyestuffs;
  const usual: Record<string, number | null> = Object.fromEntries(method.params.map((param) => [param.key, param.usual]));
  // Where nobody has chosen a dyestuff, or no ratio is in use for it in this form, none is filled in.
  if ('ratio' in usual && method.needsDyestuff) {
    usual.ratio = (dyestuff && (method.form ? dyestuff.ratio[method.form] : (dyestuff.ratio.fresh ?? dyestuff.ratio.dried))) ?? null;
  }
  // Steam is as hot as steam is: it cannot be turned down for a dye.
  const limits = dyestuffs.flatMap((one) => one.maxC ?? []);
  const maxC = method.stage === 'bundle' || limits.length === 0 ? null : Math.min(...limits);
  if (maxC === null) return usual;
  const cap = (key: string, c: number) => {
    const had = usual[key];
    if (had !== undefined && had !== null) usual[key] = Math.min(had, c);
  };
  cap('ceilingC', maxC);
  cap('highC', maxC - BELOW_CEILING_K.high);
  cap('lowC', maxC - BELOW_CEILING_K.low);
  return usual;
}

/** The figures of one chain item: what the person set, else the usual ones. Null stays unknown. */
export function paramsOf(method: Method, item: ChainItem, dyestuffs: readonly Dyestuff[]): Record<string, Known> {
  const usual = usualFor(method, dyestuffs);
  return Object.fromEntries(method.params.map(({ key }) => [key, item.params[key] === undefined ? (usual[key] ?? null) : (item.params[key] ?? null)]));
}

/** The parameters of a chain item that a person set to something. */
export const typedIn = (item: ChainItem): ReadonlySet<string> => new Set(Object.keys(item.params).filter((key) => (item.params[key] ?? null) !== null));

/** What of a kept bath is brought out: all that is there, unless somebody says less. */
export const drawnAmount = (liquor: Liquor, overruled: Known): PlannedAmount => ({
  id: 'water',
  substance: KEPT_BATH,
  name: liquor.name,
  form: null,
  unit: 'mL',
  overruled,
  words: null,
  perDryG: null,
  proposed: work('all that is there', [{ name: 'there', value: knownOf(liquor.volumeMl), unit: 'mL' }], 'mL', 'by all that was done to this bath', (mL) => mL),
});

export function bathAmount(bath: BathRule | null, template: StepTemplate, base: Omit<Base, 'waterMl'>, overruled: Known): PlannedAmount | null {
  if (bath === null) return null;
  const { params, dryG, shelf } = base;
  const substance = bath.of ?? 'water';
  const mixed = template.additions.some((rule) => rule.rule === 'bathPct');
  const common = { id: 'water', substance, form: null, unit: 'mL' as const, overruled, words: null, name: mixed ? BATH_IN_ALL : shelf.nameOf(substance) };
  if ('mL' in bath) {
    const mL = resolveRef(bath.mL, params);
    return { ...common, proposed: work('as the method says', [{ name: 'volume', value: mL, unit: 'mL' }], 'mL', PRACTICE, (v) => v), perDryG: null };
  }
  if ('mLPerPortion' in bath) {
    const portionG = resolveRef(bath.portionG, params);
    const portions = portionsOf(oneOf(dryG), oneOf(portionG));
    const proposed = perPortion(dryG, portionG, resolveRef(bath.mLPerPortion, params), 'mL');
    return { ...common, proposed, perDryG: null, ...(portions === null ? {} : { portions }) };
  }
  const ratio = resolveRef(bath.mLPerG, params);
  return { ...common, proposed: liquorVolume(dryG, ratio), perDryG: oneOf(ratio) };
}

export function additionAmount(rule: AdditionRule, base: Base, overruled: Known): PlannedAmount {
  const { params, doseG, waterMl, pieces, shelf } = base;
  const weight = base.doseOf === 'share' ? SHARE_NAME : WHOLE_NAME;
  const number = (ref: Ref) => resolveRef(ref, params);
  const substance = rule.rule === 'ratio' || rule.substance === 'dyestuff' ? (base.dyestuffId ?? UNKNOWN_PLANT) : rule.substance;
  const label = labelForm(substance, base.labels[substance]);
  const factor = label?.factor ?? 1;
  const made = (unit: AmountUnit, proposed: Working, perDryG: number | null = null, words: string | null = null): PlannedAmount => ({
    id: rule.id,
    substance,
    name: rule.rule === 'blocked' ? rule.words : shelf.nameOf(substance),
    unit,
    overruled,
    words,
    form: shelf.dyestuff(substance) ? base.form : null,
    proposed: label ? byStrength(proposed, factor, label.label) : proposed,
    perDryG: perDryG === null ? null : perDryG * factor,
    ...(rule.phase === undefined ? {} : { phase: rule.phase }),
  });
  switch (rule.rule) {
    case 'wofPct': {
      const pct = number(rule.pct);
      const one = oneOf(pct);
      return made('g', wofDose(doseG, pct, weight), one === null ? null : one / 100);
    }
    case 'ratio': {
      const ratio = number(rule.ratio);
      return made('g', plantForRatio(doseG, ratio, weight), oneOf(ratio));
    }
    case 'mLPerL':
      return made('mL', perLitre(waterMl, number(rule.dose)));
    case 'gPerL':
      return made('g', gramsPerLitre(waterMl, number(rule.dose)));
    case 'toPh':
      // The sum counts in what the label says already.
      return base.phAim
        ? {
            ...made(rule.per === 'mLPerL' ? 'mL' : 'g', perLitre(null, null)),
            proposed: phDose({
              substance,
              aim: base.phAim,
              bathMl: waterMl,
              alkalinityMgL: base.alkalinityMgL,
              tapPh: base.tapPh,
              tempC: base.tempC,
              labels: base.labels,
            }),
          }
        : rule.per === 'mLPerL'
          ? made('mL', perLitre(waterMl, number(rule.dose)))
          : made('g', gramsPerLitre(waterMl, number(rule.dose)));
    case 'mLPerG': {
      const ratio = number(rule.dose);
      return made('mL', liquorVolume(base.dryG, ratio), oneOf(ratio));
    }
    case 'perPortion':
      return made(rule.unit, perPortion(base.dryG, number(rule.portionG), number(rule.dose), rule.unit));
    case 'bathPct':
      return made('mL', shareOfBath(waterMl, number(rule.pct)));
    case 'perPiece':
      return made('piece', perPiece(pieces, number(rule.count)));
    case 'times':
      return made('piece', bandsOf(number(rule.count), number(rule.each)));
    case 'byEye':
      return made(
        'g',
        work(rule.words, [{ name: `how much ${shelf.nameOf(substance)}`, value: null, unit: 'g' }], 'g', PRACTICE, (g) => g),
        null,
        rule.words,
      );
    case 'blocked':
      return made(
        'g',
        work('no dose is worked out', [{ name: 'nothing: it is not supported', value: null, unit: '' }], 'g', 'block list', (g) => g),
        null,
        rule.words,
      );
    default:
      return unreachable(rule);
  }
}

/** Of which rule of a step its plants are. */
export const isPlantRule = (rule: AdditionRule): boolean => rule.rule === 'ratio' || rule.substance === 'dyestuff';

/** One more plant beside the first: as much as somebody says, since nobody halves a ratio in silence. */
export function morePlantAmount(plant: MorePlant, rule: AdditionRule, base: Base, overruled: Known): PlannedAmount {
  const first = additionAmount(rule, { ...base, dyestuffId: plant.dyestuffId }, overruled);
  const proposed = rule.rule === 'byEye' ? first.proposed : plantForRatio(base.doseG, null);
  return { ...first, id: plant.id, proposed, perDryG: null };
}

/** What somebody adds of their own: by percent of the fibre, or as much as they set. What is not weighed has no percent. */
export function extraAmount({ id, substance, wofPct }: ExtraAddition, base: Base, overruled: Known): PlannedAmount {
  const unit = base.shelf.assistant(substance)?.unit ?? 'g';
  const params = { pct: unit === 'g' ? wofPct : null };
  return { ...additionAmount({ id, substance, rule: 'wofPct', pct: { param: 'pct' } }, { ...base, params }, overruled), unit, form: null };
}

/** A plant's amount as it was said stands beside the one worked out; so does what it was like. */
export function asSaid(amount: PlannedAmount, said: PlantAmount | undefined, detail: PlantDetail | undefined, doseG: Known): PlannedAmount {
  const own = { ...amount, ...(detail ? { detail, form: detail.form ?? amount.form } : {}) };
  if (!said) return own;
  const about = said.by === 'amount' ? said.about : said.guessed;
  const guessed = about ? { about: true as const } : {};
  if (said.by === 'ratio') return { ...own, ...guessed, overruled: null, words: null, proposed: plantForRatio(doseG, said.ratio), perDryG: oneOf(said.ratio) };
  return { ...own, ...guessed, unit: said.unit, overruled: said.known, words: null };
}

/** The label decides the dose, and nobody said which. */
export const labelMissing = (substance: string, labels: Readonly<Record<string, string>>, shelf: Shelf): boolean =>
  shelf.assistant(substance)?.askForm !== null &&
  shelf.assistant(substance) !== undefined &&
  FORMS[substance] !== undefined &&
  !labelForm(substance, labels[substance]);
