import { molarMass } from '../chem/molarMass';

/** What a label may say: the right dose can differ twofold, so it is asked (safety handbook R5 and form factors). */
export interface LabelForm {
  readonly id: string;
  readonly label: string;
  /** Weight or volume of this product that does what one of the recipe's does. */
  readonly factor: number;
  /** Strength of a liquid, %; null for solids and unknown strengths. */
  readonly strengthPct: number | null;
}

const solid = (id: string, label: string, factor: number): LabelForm => ({ id, label, factor, strengthPct: null });
const liquid = (strengthPct: number, usualPct: number | null): LabelForm => ({
  id: `s${strengthPct}`,
  label: `${strengthPct} %`,
  factor: usualPct === null ? 1 : usualPct / strengthPct,
  strengthPct,
});

const aluminiumIn = (formula: string) => molarMass('Al') / molarMass(formula);
const acetate = (formula: string) => aluminiumIn('Al(OH)(CH3COO)2') / aluminiumIn(formula);

/** Without the names that every object has: “constructor” is no substance. */
const ownOnly = <T extends object>(table: T): T => Object.assign(Object.create(null) as T, table);

/** Factors of dried salts: safety handbook section 2; of the rest by molar mass. Recipes mean the first of each. */
export const FORMS: Readonly<Record<string, readonly LabelForm[]>> = ownOnly({
  alum: [
    solid('crystals', 'crystals, KAl(SO₄)₂·12H₂O', 1),
    solid('burnt', 'anhydrous (“burnt”)', 0.544),
    solid('ammonium', 'ammonium alum, NH₄Al(SO₄)₂·12H₂O', aluminiumIn('KAl(SO4)2·12H2O') / aluminiumIn('NH4Al(SO4)2·12H2O')),
  ],
  ammoniumAlum: [
    solid('crystals', 'crystals, NH₄Al(SO₄)₂·12H₂O', 1),
    solid('burnt', 'anhydrous', aluminiumIn('NH4Al(SO4)2·12H2O') / aluminiumIn('NH4Al(SO4)2')),
  ],
  aluminiumTriformate: [solid('dry', 'anhydrous powder, Al(HCO₂)₃', 1), solid('tri', 'trihydrate', aluminiumIn('Al(HCO2)3') / aluminiumIn('Al(HCO2)3·3H2O'))],
  // One way each: the question is whether it is that, and not a powder that only sounds like it.
  bakingSoda: [solid('pure', 'nothing but sodium bicarbonate; baking powder is something else', 1)],
  chalk: [solid('pure', 'nothing but calcium carbonate; garden lime and plaster are something else', 1)],
  ironSulfate: [solid('hepta', 'heptahydrate, green crystals', 1), solid('mono', 'monohydrate, feed or garden grade', 0.611)],
  copperSulfate: [solid('penta', 'pentahydrate, blue crystals', 1), solid('dry', 'anhydrous, white', 0.639)],
  tinChloride: [solid('di', 'dihydrate', 1), solid('dry', 'anhydrous', 0.84)],
  sodaAsh: [solid('dry', 'anhydrous powder', 1), solid('mono', 'monohydrate', molarMass('Na2CO3·H2O') / molarMass('Na2CO3'))],
  washingSoda: [solid('deca', 'clear crystals, decahydrate', 1), solid('dry', 'white powder (soda ash)', molarMass('Na2CO3') / molarMass('Na2CO3·10H2O'))],
  aluminiumAcetate: [
    solid('dibasic', 'Al(OH)(OAc)₂, the usual powder', 1),
    solid('neutral', 'Al(OAc)₃, neutral', acetate('Al(CH3COO)3')),
    solid('monobasic', 'Al(OH)₂OAc', acetate('Al(OH)2(CH3COO)')),
  ],
  citricAcid: [solid('dry', 'anhydrous', 1), solid('mono', 'monohydrate', molarMass('C6H8O7·H2O') / molarMass('C6H8O7'))],
  vinegar: [5, 4, 6, 8, 10, 25, 80].map((pct) => liquid(pct, 5)),
  ammonia: [3, 5, 10, 25].map((pct) => liquid(pct, null)),
  peroxide: [3, 6, 12, 30].map((pct) => liquid(pct, null)),
  bleach: [3, 5, 8].map((pct) => liquid(pct, null)),
  ironLiquor: [solid('home', 'home-made, strength unknown', 1)],
});

export const labelForm = (substance: string, id: string | undefined): LabelForm | null => FORMS[substance]?.find((form) => form.id === id) ?? null;
