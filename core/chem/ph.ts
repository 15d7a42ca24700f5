/**
 * pH of a dilute solution by charge balance with mass balance and Davies activities, at 25 °C and up to an ionic strength
 * of about 0.5. Constants: handbook checks D1 (CRC / NIST, thermodynamic). pH is −log of the hydrogen ion’s activity.
 */
interface WeakAcid {
  readonly pKa: readonly number[];
  /** Charge with all its protons on: 0 for acids, +1 for ammonium. */
  readonly charge: 0 | 1;
}

export const WEAK_ACIDS = {
  acetic: { pKa: [4.756], charge: 0 },
  citric: { pKa: [3.128, 4.761, 6.396], charge: 0 },
  tartaric: { pKa: [3.036, 4.366], charge: 0 },
  carbonic: { pKa: [6.352, 10.329], charge: 0 },
  ammonium: { pKa: [9.245], charge: 1 },
} as const satisfies Readonly<Record<string, WeakAcid>>;
export type WeakAcidId = keyof typeof WEAK_ACIDS;

const PKW = 13.995;

export interface Solution {
  /** mol/L of each weak acid with all its forms together. */
  readonly weak: Readonly<Partial<Record<WeakAcidId, number>>>;
  /** mol/L of ions that keep their charge: sodium and potassium, calcium. */
  readonly monovalent: number;
  readonly divalent: number;
}

/** Davies: log γ = −A z² (√I/(1+√I) − 0.3 I), A = 0.509 at 25 °C. */
function activity(charge: number, ionic: number): number {
  const root = Math.sqrt(ionic);
  return 10 ** (-0.509 * charge * charge * (root / (1 + root) - 0.3 * ionic));
}

interface Balance {
  /** Sum of charges, eq/L: 0 at the pH that the solution has. */
  readonly charge: number;
  readonly ionic: number;
}

function balanceAt(ph: number, solution: Solution, ionic: number): Balance {
  const hydrogen = 10 ** -ph;
  const h = hydrogen / activity(1, ionic);
  const oh = 10 ** -PKW / hydrogen / activity(1, ionic);
  let charge = solution.monovalent + 2 * solution.divalent + h - oh;
  let squares = solution.monovalent + 4 * solution.divalent + h + oh;
  for (const [id, total] of Object.entries(solution.weak) as [WeakAcidId, number][]) {
    const acid: WeakAcid = WEAK_ACIDS[id];
    // Concentration of each form relative to the fully protonated one.
    const forms = [1];
    let product = 1;
    for (const pKa of acid.pKa) {
      product *= 10 ** -pKa / hydrogen;
      forms.push((product * activity(acid.charge, ionic)) / activity(acid.charge - forms.length, ionic));
    }
    const sum = forms.reduce((a, b) => a + b, 0);
    forms.forEach((form, lost) => {
      const z = acid.charge - lost;
      const molPerL = (total * form) / sum;
      charge += z * molPerL;
      squares += z * z * molPerL;
    });
  }
  return { charge, ionic: squares / 2 };
}

/** pH at 25 °C. Concentrations in mol/L, none below 0. */
export function phOfSolution(solution: Solution): number {
  let ionic = 0;
  let ph = 7;
  for (let round = 0; round < 40; round++) {
    let [low, high] = [-1, 15];
    for (let i = 0; i < 60; i++) {
      ph = (low + high) / 2;
      // The sum of charges falls as the pH rises.
      if (balanceAt(ph, solution, ionic).charge > 0) low = ph;
      else high = ph;
    }
    const next = Math.min(0.5, balanceAt(ph, solution, ionic).ionic);
    if (Math.abs(next - ionic) < 1e-9) break;
    ionic = next;
  }
  return ph;
}
