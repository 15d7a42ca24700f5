import { vapourPressurePa } from './boiling';

/** Where the heat of a pot goes: into its water and metal, through its wall, and with the steam. */

/** Specific heat of water, J/(kg K): IAPWS-IF97, mean of 15-95 °C. */
export const WATER_J_PER_KG_K = 4186;
/** The metal of a pot by what it holds, as water (our estimate: two kilograms of steel to twelve litres). */
const METAL_AS_WATER = 0.02;
export const metalJPerK = (vesselLitres: number): number => METAL_AS_WATER * vesselLitres * WATER_J_PER_KG_K;

/** Wall, bottom rim and lid together, W/m²K (estimate: still air and radiation from a metal pot; its own curves teach the rest). */
const WALL_W_PER_M2K = 11;
/**
 * Evaporation below the boil, W/m² for each kPa between water and air: the pool form of Carrier and ASHRAE, 0.089 (p_w − p_a)/h_fg kg/m²s,
 * whose latent heat is 89 (p_w − p_a) W/m². Outside pools good to a factor of two (checks.md C4), which fitting takes up.
 */
const STEAM_W_PER_M2KPA = 89;
/** A lid cuts evaporation about tenfold (from memory, no source). */
const LID_FACTOR = 0.1;
/** A kitchen, °C. */
export const ROOM_C = 20;
/** Room air at 20 °C and half humid. */
const AIR_KPA = 1.17;
/** Latent heat near the boil, J/kg: IAPWS-IF97 between 80 and 100 °C, within 1.5 %. */
export const LATENT_J_PER_KG = 2.28e6;
const HOTTEST_C = 110;

/** Vapour pressure at each whole degree, kPa: worked out once, since a forecast asks thousands of times. */
const VAPOUR_KPA = Float64Array.from({ length: HOTTEST_C + 2 }, (_, c) => vapourPressurePa(Math.max(0.01, c)) / 1000);

function vapourKpa(c: number): number {
  const at = Math.min(HOTTEST_C, Math.max(0, c));
  const whole = Math.floor(at);
  const low = VAPOUR_KPA[whole] ?? 0;
  return low + (at - whole) * ((VAPOUR_KPA[whole + 1] ?? low) - low);
}

/** The shape of a pot, a cylinder as high as half its width: its wall with the bottom, and its opening. */
export interface Shape {
  readonly wallM2: number;
  readonly openM2: number;
}

/** @param vesselLitres > 0 */
export function shapeOf(vesselLitres: number): Shape {
  const radiusM = Math.cbrt(vesselLitres / 1000 / Math.PI);
  const openM2 = Math.PI * radiusM * radiusM;
  return { wallM2: 3 * openM2, openM2 };
}

/** Heat lost with steam, W; never negative. */
export const steamW = ({ openM2 }: Shape, hasLid: boolean, c: number): number =>
  STEAM_W_PER_M2KPA * openM2 * (hasLid ? LID_FACTOR : 1) * Math.max(0, vapourKpa(c) - AIR_KPA);

/** Heat lost through wall and steam, W. */
export const lossW = (shape: Shape, hasLid: boolean, c: number, roomC: number): number =>
  WALL_W_PER_M2K * shape.wallM2 * (c - roomC) + steamW(shape, hasLid, c);
