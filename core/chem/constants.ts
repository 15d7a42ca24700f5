/**
 * Constants of weak acids and of water, thermodynamic (I = 0), molality taken for molarity. At 25 °C: CRC Handbook / NIST, as in check values
 * D1. With temperature: carbonic acid by Plummer and Busenberg 1982, water by the IAPWS 2007 release; all others by their enthalpy and heat
 * capacity of ionisation, as Goldberg, Kishore and Lennen recommend them (J. Phys. Chem. Ref. Data 31, 231, 2002; figures from memory).
 */

interface WeakAcid {
  /** At 25 °C, first proton first. */
  readonly pKa: readonly number[];
  /** Charge with all its protons on: 0 for acids, +1 for ammonium. */
  readonly charge: 0 | 1;
  /** kJ/mol of each step at 25 °C, and what it changes by, J/(mol K); missing: by a formula of its own. */
  readonly enthalpy?: readonly number[];
  readonly heatCapacity?: readonly number[];
}

export const WEAK_ACIDS = {
  acetic: { pKa: [4.756], charge: 0, enthalpy: [-0.41], heatCapacity: [-142] },
  citric: { pKa: [3.128, 4.761, 6.396], charge: 0, enthalpy: [4.07, 2.23, -3.38], heatCapacity: [-131, -178, -254] },
  tartaric: { pKa: [3.036, 4.366], charge: 0, enthalpy: [3.19, 0.93], heatCapacity: [-147, -218] },
  carbonic: { pKa: [6.352, 10.329], charge: 0 },
  phosphoric: { pKa: [2.148, 7.198, 12.35], charge: 0, enthalpy: [-8, 3.6, 16], heatCapacity: [-141, -230, -242] },
  phthalic: { pKa: [2.95, 5.408], charge: 0, enthalpy: [-2.7, -2.17], heatCapacity: [-91, -295] },
  boric: { pKa: [9.236], charge: 0, enthalpy: [13.8], heatCapacity: [-240] },
  ammonium: { pKa: [9.245], charge: 1, enthalpy: [51.95], heatCapacity: [8] },
} as const satisfies Readonly<Record<string, WeakAcid>>;
export type WeakAcidId = keyof typeof WEAK_ACIDS;
export const WEAK_ACID_IDS = Object.keys(WEAK_ACIDS) as WeakAcidId[];

/** The constants that a temperature gives. */
export interface Constants {
  readonly tempC: number;
  readonly pKw: number;
  /** Of Davies’ equation, at this temperature. */
  readonly debyeA: number;
  readonly pKa: Readonly<Record<WeakAcidId, readonly number[]>>;
  /** log10 of mol/L CO2 in water per atm above it. */
  readonly logKh: number;
  /** log10 of the solubility product of calcite. */
  readonly logKcalcite: number;
}

const KELVIN = 273.15;
const AT_25 = 298.15;
/** 2.302585 × R, kJ/(mol K). */
const LN10_R = 0.019144757;

/** IAPWS 2007 ionisation of water, at saturation pressure: check values D1. */
const PKW: readonly (readonly [c: number, pKw: number])[] = [
  [0, 14.946],
  [10, 14.534],
  [20, 14.165],
  [25, 13.994],
  [30, 13.833],
  [40, 13.534],
  [50, 13.264],
  [60, 13.02],
  [70, 12.799],
  [80, 12.598],
  [90, 12.416],
  [100, 12.252],
];

/** Between the tabled temperatures in a straight line; off by less than 0.01. @param tempC 0 to 100 */
export function pKwAt(tempC: number): number {
  const over = PKW.findIndex(([c]) => c >= tempC);
  const [high, low] = [PKW[over] ?? PKW.at(-1), PKW[Math.max(0, over - 1)]];
  if (!high || !low || high[0] === low[0]) return high?.[1] ?? 14;
  return low[1] + ((high[1] - low[1]) * (tempC - low[0])) / (high[0] - low[0]);
}

/**
 * The pH at 25 °C of a liquid as alkaline as this one: as much above the pH of pure water. What is said of wool and alkali is said of cold
 * readings, and a hot bath of the same lye reads up to 1.7 lower.
 */
export const asAt25 = (ph: number, tempC: number): number => (ph > 7 ? ph + pKwAt(25) - pKwAt(tempC) : ph);

/** Plummer and Busenberg 1982, log10, T in K: [log K1, log K2, log KH]. */
export function carbonicAt(tempC: number): readonly [number, number, number] {
  const t = tempC + KELVIN;
  const by = (a: number, b: number, c: number, d: number, e: number) => a + b * t + c / t + d * Math.log10(t) + e / t ** 2;
  return [
    by(-356.3094, -0.06091964, 21834.37, 126.8339, -1684915),
    by(-107.8871, -0.03252849, 5151.79, 38.92561, -563713.9),
    by(108.3865, 0.01985076, -6919.53, -40.45154, 669365),
  ];
}

/** Plummer and Busenberg 1982: −8.480 at 25 °C (check values D1). */
function calciteAt(tempC: number): number {
  const t = tempC + KELVIN;
  return -171.9065 - 0.077993 * t + 2839.319 / t + 71.595 * Math.log10(t);
}

/** Dielectric constant of water (Malmberg and Maryott 1956), and with it A of Debye and Hückel: 0.509 at 25 °C. */
function debyeAt(tempC: number): number {
  const dielectric = 87.74 - 0.40008 * tempC + 9.398e-4 * tempC ** 2 - 1.41e-6 * tempC ** 3;
  return 1.8246e6 * (dielectric * (tempC + KELVIN)) ** -1.5;
}

/** @param tempC 0 to 100; outside of it taken as the nearer end */
export function constantsAt(tempC: number): Constants {
  const c = Math.min(100, Math.max(0, tempC));
  const [logK1, logK2, logKh] = carbonicAt(c);
  const t = c + KELVIN;
  // ln K(T) = ln K − ΔH/R (1/T − 1/T₀) + ΔCp/R (T₀/T − 1 + ln(T/T₀)).
  const moved = ({ pKa, enthalpy = [], heatCapacity = [] }: WeakAcid): readonly number[] =>
    pKa.map((at25, i) => {
      const byHeat = ((enthalpy[i] ?? 0) / LN10_R) * (1 / t - 1 / AT_25);
      const byCapacity = ((heatCapacity[i] ?? 0) / 1000 / LN10_R) * (AT_25 / t - 1 + Math.log(t / AT_25));
      return at25 + byHeat - byCapacity;
    });
  const pKa = Object.fromEntries(WEAK_ACID_IDS.map((id) => [id, id === 'carbonic' ? [-logK1, -logK2] : moved(WEAK_ACIDS[id])])) as Record<
    WeakAcidId,
    readonly number[]
  >;
  return { tempC: c, pKw: pKwAt(c), debyeA: debyeAt(c), pKa, logKh, logKcalcite: calciteAt(c) };
}

export const AT_25C: Constants = constantsAt(25);
