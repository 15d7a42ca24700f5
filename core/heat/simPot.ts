import { estimatedUaWPerK, temperatureAfter } from './pot';

/** A simulated pot: settings as a person leaves them, and its state at one instant. Everything later is computed. */
export interface SimPot {
  readonly vesselId: string;
  readonly probeId: string;
  readonly on: boolean;
  /** Knob of the burner, 0-10. */
  readonly burner: number;
  readonly maxW: number;
  readonly lid: boolean;
  readonly litres: number;
  readonly vesselLitres: number;
  readonly roomC: number;
  readonly boilC: number;
  /** How much faster than life the pot heats and cools, 1-600. */
  readonly factor: number;
  readonly asOfMs: number;
  readonly asOfC: number;
}

/** True temperature at an instant at or after `asOfMs`, °C. */
export function simPotC(pot: SimPot, atMs: number): number {
  const seconds = (Math.max(0, atMs - pot.asOfMs) / 1000) * pot.factor;
  const body = {
    litres: Math.max(0.1, pot.litres),
    uaWPerK: estimatedUaWPerK(pot.vesselLitres, pot.lid),
    roomC: pot.roomC,
    boilC: pot.boilC,
  };
  return temperatureAfter(body, pot.asOfC, (pot.maxW * pot.burner) / 10, seconds);
}

/** The pot from `atMs` on with some settings changed: the past is settled first, so no degree is lost or gained. */
export function turnKnobs(pot: SimPot, atMs: number, change: Partial<Pick<SimPot, 'on' | 'burner' | 'lid' | 'litres' | 'factor'>>): SimPot {
  const asOfC = simPotC(pot, atMs);
  const added = Math.max(0, (change.litres ?? pot.litres) - pot.litres);
  // Water from the tap comes in at room temperature and mixes at once.
  const mixedC = added > 0 ? (asOfC * pot.litres + pot.roomC * added) / (pot.litres + added) : asOfC;
  return { ...pot, ...change, asOfMs: Math.max(atMs, pot.asOfMs), asOfC: mixedC };
}

/** What a probe would say: the true temperature, noise of ±0.2 K, rounded to a tenth. @param chance in [0, 1) */
export const probeReadsC = (trueC: number, chance: number): number => Math.round((trueC + (chance - 0.5) * 0.4) * 10) / 10;
