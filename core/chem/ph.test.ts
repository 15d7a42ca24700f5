import { describe, expect, test } from 'vitest';
import { seededChance } from '../chance';
import { AT_25C, carbonicAt, constantsAt, pKwAt, WEAK_ACIDS, type WeakAcidId } from './constants';
import { molarMass } from './molarMass';
import { AIR_CO2_ATM, equilibrium, phOfSolution, type Solution } from './ph';

const pure = (more: Partial<Solution>): number => phOfSolution({ weak: {}, monovalent: 0, divalent: 0, ...more });
const gPerL = (g: number, formula: string) => g / molarMass(formula);

// Handbook checks D2: published values (IUPAC / NIST buffers, textbooks) with their tolerance.
test.each([
  ['saturated potassium hydrogen tartrate, NIST', pure({ weak: { tartaric: 0.0341 }, monovalent: 0.0341 }), 3.557, 0.03],
  ['0.05 m potassium dihydrogen citrate', pure({ weak: { citric: 0.05 }, monovalent: 0.05 }), 3.776, 0.03],
  ['0.1 m acetic acid with 0.1 m acetate, IUPAC 2002', pure({ weak: { acetic: 0.2 }, monovalent: 0.1 }), 4.644, 0.03],
  ['0.01 m of both', pure({ weak: { acetic: 0.02 }, monovalent: 0.01 }), 4.713, 0.03],
  ['0.025 m bicarbonate with 0.025 m carbonate', pure({ weak: { carbonic: 0.05 }, monovalent: 0.075 }), 10.012, 0.03],
  ['acetic acid 1 M', pure({ weak: { acetic: 1 } }), 2.38, 0.02],
  ['acetic acid 0.1 M', pure({ weak: { acetic: 0.1 } }), 2.88, 0.02],
  ['acetic acid 0.01 M', pure({ weak: { acetic: 0.01 } }), 3.38, 0.02],
  ['ammonia 0.1 M', pure({ weak: { ammonium: 0.1 } }), 11.12, 0.02],
  ['citric acid 0.1 M', pure({ weak: { citric: 0.1 } }), 2.1, 0.2],
  ['tartaric acid 0.05 M', pure({ weak: { tartaric: 0.05 } }), 2.2, 0.1],
  ['pure water', pure({}), 7, 0.01],
  ['0.05 m potassium hydrogen phthalate', pure({ weak: { phthalic: 0.05 }, monovalent: 0.05 }), 4.005, 0.03],
  ['0.025 m of both phosphates', pure({ weak: { phosphoric: 0.05 }, monovalent: 0.075 }), 6.865, 0.03],
  ['0.01 m borax', pure({ weak: { boric: 0.04 }, monovalent: 0.02 }), 9.18, 0.03],
  ['saturated slaked lime', pure({ divalent: 0.0175 }), 12.454, 0.06],
  ['soda ash 0.1 M', pure({ weak: { carbonic: 0.1 }, monovalent: 0.2 }), 11.6, 0.3],
  ['pure water under air of 10^-3.5 atm', pure({ airCo2Atm: 10 ** -3.5 }), 5.66, 0.02],
  ['pure water under the air of today', pure({ airCo2Atm: AIR_CO2_ATM }), 5.598, 0.02],
  ['chalk in pure water, closed', pure({ chalk: 0.01 }), 9.9, 0.05],
  ['chalk under air of 10^-3.5 atm', pure({ chalk: 0.01, airCo2Atm: 10 ** -3.5 }), 8.279, 0.05],
  ['chalk under the air of today', pure({ chalk: 0.01, airCo2Atm: AIR_CO2_ATM }), 8.199, 0.05],
  // D4, open to the air: hard water of 100 mg/L, and the same with 20 mL of vinegar in 4 L.
  ['hard water under air', pure({ divalent: 0.000999, airCo2Atm: AIR_CO2_ATM }), 8.46, 0.03],
  ['and with vinegar', pure({ weak: { acetic: (0.8326 * 0.02) / 4.02 }, divalent: (0.000999 * 4) / 4.02, airCo2Atm: AIR_CO2_ATM }), 4.7, 0.03],
])('%s', (_what, ph, published, tolerance) => expect(Math.abs(ph - published)).toBeLessThanOrEqual(tolerance));

// The same handbook’s regression values of two independent solvers, tolerance 0.02
test.each([
  ['soda ash 1 g/L', pure({ weak: { carbonic: gPerL(1, 'Na2CO3') }, monovalent: 2 * gPerL(1, 'Na2CO3') }), 10.99],
  ['soda ash 10 g/L', pure({ weak: { carbonic: gPerL(10, 'Na2CO3') }, monovalent: 2 * gPerL(10, 'Na2CO3') }), 11.38],
  ['baking soda 10 g/L', pure({ weak: { carbonic: gPerL(10, 'NaHCO3') }, monovalent: gPerL(10, 'NaHCO3') }), 8.11],
  ['citric acid 1 g/L', pure({ weak: { citric: gPerL(1, 'C6H8O7') } }), 2.79],
  ['citric acid 5 g/L', pure({ weak: { citric: gPerL(5, 'C6H8O7') } }), 2.39],
  ['cream of tartar 1 g/L', pure({ weak: { tartaric: gPerL(1, 'KHC4H4O6') }, monovalent: gPerL(1, 'KHC4H4O6') }), 3.68],
])('%s', (_what, ph, expected) => expect(Math.abs(ph - expected)).toBeLessThanOrEqual(0.02));

// Handbook checks D4: vinegar of 5 % into 4 L of water with 100 mg/L alkalinity, CO2 kept in; tolerance 0.03
describe('vinegar in hard water', () => {
  test.each([
    [0, 8.0],
    [2, 6.88],
    [5, 6.3],
    [8, 5.8],
    [10, 5.46],
    [12, 5.2],
    [15, 4.94],
    [20, 4.69],
    [30, 4.41],
    [50, 4.12],
    [100, 3.79],
    [200, 3.51],
    [400, 3.25],
  ])('%d mL', (mL, expected) => {
    const litres = 4 + mL / 1000;
    const share = 4 / litres;
    const ph = phOfSolution({
      weak: { acetic: (0.8326 * mL) / 1000 / litres, carbonic: 0.002028 * share },
      monovalent: 0,
      divalent: 0.000999 * share,
    });
    expect(Math.abs(ph - expected)).toBeLessThanOrEqual(0.03);
  });
});
test('more acid never raises the pH', () => {
  let last = 14;
  for (let c = 1e-7; c < 1; c *= 2) {
    const ph = pure({ weak: { acetic: c } });
    expect(ph).toBeLessThanOrEqual(last);
    last = ph;
  }
});

// Check values D1: water by the IAPWS release, carbonic acid by Plummer and Busenberg.
describe('constants with temperature', () => {
  test.each([
    [0, 14.946],
    [25, 13.994],
    [50, 13.264],
    [70, 12.799],
    [100, 12.252],
  ])('water at %d °C', (c, pKw) => expect(pKwAt(c)).toBeCloseTo(pKw, 2));
  test.each([
    [10, -6.463, -10.488, -1.269],
    [25, -6.352, -10.329, -1.468],
    [50, -6.286, -10.174, -1.711],
    [80, -6.338, -10.126, -1.899],
  ])('carbonic acid at %d °C', (c, ...logs) => {
    carbonicAt(c).forEach((log, i) => {
      expect(log).toBeCloseTo(logs[i] as number, 2);
    });
  });
  test('neutral water at 60 °C reads 6.51', () => expect(phOfSolution({ weak: {}, monovalent: 0, divalent: 0 }, constantsAt(60))).toBeCloseTo(6.51, 2));
  // NBS buffers by temperature (D2): borax with an enthalpy from memory, carbonate by the published constants.
  test.each([
    [10, 9.332, 10.179],
    [25, 9.18, 10.012],
    [40, 9.068, 9.889],
    [50, 9.011, 9.828],
  ])('buffers at %d °C', (c, borax, carbonate) => {
    const at = constantsAt(c);
    expect(Math.abs(phOfSolution({ weak: { boric: 0.04 }, monovalent: 0.02, divalent: 0 }, at) - borax)).toBeLessThan(0.04);
    expect(Math.abs(phOfSolution({ weak: { carbonic: 0.05 }, monovalent: 0.075, divalent: 0 }, at) - carbonate)).toBeLessThan(0.04);
  });
});

/** A second opinion: the fraction of each form by its products of constants, halving alone, activities by repetition. */
function slowly({ weak, monovalent, divalent }: Solution): number {
  let [ionic, ph] = [0, 7];
  const gamma = (z: number) => 10 ** (-AT_25C.debyeA * z * z * (Math.sqrt(ionic) / (1 + Math.sqrt(ionic)) - 0.3 * ionic));
  for (let round = 0; round < 80; round++) {
    const ions = (at: number): [z: number, c: number][] => {
      const all: [number, number][] = [
        [1, monovalent],
        [2, divalent],
        [1, 10 ** -at / gamma(1)],
        [-1, 10 ** (at - AT_25C.pKw) / gamma(1)],
      ];
      for (const [id, total] of Object.entries(weak) as [WeakAcidId, number][]) {
        const { pKa, charge } = WEAK_ACIDS[id];
        const constants = id === 'carbonic' ? AT_25C.pKa.carbonic : pKa;
        const forms = [0, ...constants.map((_, i) => i + 1)].map((lost) => {
          const logK = constants.slice(0, lost).reduce((sum, one) => sum - one, 0);
          return (10 ** (logK + lost * at) * gamma(charge)) / gamma(charge - lost);
        });
        const sum = forms.reduce((x, y) => x + y, 0);
        forms.forEach((form, lost) => {
          all.push([charge - lost, (total * form) / sum]);
        });
      }
      return all;
    };
    let [low, high] = [-1, 15];
    for (let i = 0; i < 80; i++) {
      ph = (low + high) / 2;
      if (ions(ph).reduce((sum, [z, c]) => sum + z * c, 0) > 0) low = ph;
      else high = ph;
    }
    ionic = Math.min(0.5, ions(ph).reduce((sum, [z, c]) => sum + z * z * Math.abs(c), 0) / 2);
  }
  return ph;
}

test('a second, slower way gives the same to 1e-8, charges cancel to 1e-12, over random mixtures', () => {
  const chance = seededChance(3);
  const some = () => 10 ** (-6 + 5 * chance());
  for (let i = 0; i < 20; i++) {
    const solution = { weak: { acetic: some(), citric: some(), carbonic: some(), ammonium: some() }, monovalent: some(), divalent: some() / 2 };
    const found = equilibrium(solution);
    if (!found.ok) throw new Error(found.why);
    expect(Math.abs(found.residual)).toBeLessThan(1e-12);
    expect(Math.abs(found.ph - slowly(solution))).toBeLessThan(1e-8);
  }
});

test('what is no amount is refused, and what is far too strong gives no figure', () => {
  expect(equilibrium({ weak: { acetic: -1 }, monovalent: 0, divalent: 0 })).toMatchObject({ ok: false });
  expect(equilibrium({ weak: { acetic: Number.NaN }, monovalent: 0, divalent: 0 })).toMatchObject({ ok: false });
  expect(equilibrium({ weak: {}, monovalent: 1e6, divalent: 0 })).toMatchObject({ ok: false });
});

describe('chalk dissolves as far as it can', () => {
  test('more of it than dissolves changes nothing; less than that dissolves whole', () => {
    expect(pure({ chalk: 0.1 })).toBeCloseTo(pure({ chalk: 0.01 }), 5);
    expect(pure({ chalk: 1e-5 })).toBeCloseTo(pure({ weak: { carbonic: 1e-5 }, divalent: 1e-5 }), 5);
  });
  test('in acid all of it goes, two of acetic acid to one of chalk', () => {
    const acid = { weak: { acetic: 0.02 } };
    expect(pure({ ...acid, chalk: 0.005 })).toBeCloseTo(pure({ weak: { acetic: 0.02, carbonic: 0.005 }, divalent: 0.005 }), 4);
  });
  test('water that is full of it takes none, and none comes down', () => {
    const soda = { weak: { carbonic: 0.05 }, monovalent: 0.09, divalent: 0.002 };
    expect(pure({ ...soda, chalk: 0.01 })).toBeCloseTo(pure(soda), 4);
  });
  test('the solubility product of calcite: 8.480 at 25 °C (handbook checks D1)', () => expect(AT_25C.logKcalcite).toBeCloseTo(-8.48, 2));
});
