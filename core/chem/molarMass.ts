/** Abridged standard atomic weights (IUPAC 2021; for elements given as a range, the conventional value), g/mol. */
const ATOMIC: Readonly<Record<string, number>> = {
  H: 1.008,
  B: 10.81,
  C: 12.011,
  N: 14.007,
  O: 15.999,
  Na: 22.99,
  Al: 26.982,
  S: 32.06,
  Cl: 35.45,
  K: 39.098,
  Ca: 40.078,
  Cr: 51.996,
  Fe: 55.845,
  Cu: 63.546,
  Sn: 118.71,
};

/**
 * Molar mass of a formula such as "KAl(SO4)2·12H2O": brackets, whole-number subscripts, and hydrate parts behind a dot.
 * @returns g/mol; throws RangeError on an element or a character it does not know
 */
export const molarMass = (formula: string): number => formula.split('·').reduce((sum, part) => sum + partMass(part), 0);

/** One part, with the count that may stand before it: "12H2O". */
function partMass(part: string): number {
  const [, count = '', rest = ''] = /^(\d*)(.*)$/.exec(part) ?? [];
  const stack: number[] = [0];
  const tokens = rest.match(/[A-Z][a-z]?|\(|\)|\d+|./g) ?? [];
  let last = 0;
  const add = (mass: number) => {
    stack[stack.length - 1] = (stack.at(-1) ?? 0) + mass;
    last = mass;
  };
  for (const token of tokens) {
    if (token === '(') stack.push(0);
    else if (token === ')') {
      const inner = stack.pop();
      if (inner === undefined || stack.length === 0) throw new RangeError(`brackets do not match in ${part}`);
      add(inner);
    } else if (/^\d+$/.test(token)) add(last * (Number(token) - 1));
    else {
      const mass = ATOMIC[token];
      if (mass === undefined) throw new RangeError(`unknown element ${token} in ${part}`);
      add(mass);
    }
  }
  if (stack.length !== 1) throw new RangeError(`brackets do not match in ${part}`);
  return (stack[0] ?? 0) * (count === '' ? 1 : Number(count));
}

/** Grams of one form that carry as much as one gram of another: 1 g of soda ash is 2.70 g of washing soda. */
export const substitutionG = (grams: number, fromFormula: string, toFormula: string): number => (grams * molarMass(toFormula)) / molarMass(fromFormula);

/** "KAl(SO₄)₂·12H₂O": subscripts behind letters and brackets, counts before a part stay as they are. */
export const printFormula = (formula: string): string =>
  formula.replace(/([A-Za-z)])(\d+)/g, (_all, before: string, digits: string) => before + [...digits].map((digit) => '₀₁₂₃₄₅₆₇₈₉'[Number(digit)]).join(''));
