import { shapeOf, WATER_J_PER_KG_K } from './losses';

/**
 * A pot as one lumped body: m c dT/dt = P − UA (T − T_room), with evaporation taking its latent heat. Between changes
 * of the burner the solution is an exponential, so a step of any length is exact and stable.
 */
export interface PotBody {
  readonly litres: number;
  /** Heat lost per kelvin above the room, W/K. */
  readonly uaWPerK: number;
  readonly roomC: number;
  readonly boilC: number;
}

/** Steady temperature the pot would reach with this heat, °C, the boil not counted. */
export const steadyC = (pot: PotBody, heatW: number): number => pot.roomC + heatW / pot.uaWPerK;

const tauS = (pot: PotBody): number => (pot.litres * WATER_J_PER_KG_K) / pot.uaWPerK;

/** Temperature after `seconds` at constant heat, °C; clamped at the boil. */
export function temperatureAfter(pot: PotBody, startC: number, heatW: number, seconds: number): number {
  const endC = steadyC(pot, heatW);
  return Math.min(pot.boilC, endC + (startC - endC) * Math.exp(-seconds / tauS(pot)));
}

/** Seconds until the pot passes `toC` at constant heat; null when it never does. */
export function secondsTo(pot: PotBody, startC: number, toC: number, heatW: number): number | null {
  const endC = steadyC(pot, heatW);
  if (startC === toC) return 0;
  const share = (toC - endC) / (startC - endC);
  if (!(share > 0 && share < 1)) return null;
  if (toC > startC && toC > pot.boilC) return null;
  return -Math.log(share) * tauS(pot);
}

/** Heat that holds a temperature, W. */
export const holdingW = (pot: PotBody, atC: number): number => pot.uaWPerK * (atC - pot.roomC);

/**
 * Loss of a home pot by its size, W/K (estimate: the surface of a squat cylinder at 12 W/m²K lidded, 18 W/m²K open;
 * replaced by what a pot's own curves teach).
 */
export function estimatedUaWPerK(vesselLitres: number, lid: boolean): number {
  const { wallM2, openM2 } = shapeOf(vesselLitres);
  return (wallM2 + openM2) * (lid ? 12 : 18);
}
