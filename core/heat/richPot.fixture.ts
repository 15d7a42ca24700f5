import type { Reading } from '../hold/credit';
import { vapourPressurePa } from './boiling';

/**
 * A pot that knows more than the one that is fitted: a plate with a mass of its own that heats the pot's bottom, a metal wall beside the
 * water, radiation, a thermostat that switches on and off, a knob that is not straight, water that goes, and a probe that lags and is noisy.
 */
export interface RichPot {
  readonly litres: number;
  readonly vesselLitres: number;
  readonly maxW: number;
  readonly roomC: number;
  readonly hasLid: boolean;
  readonly plateJPerK: number;
  readonly plateWPerK: number;
  readonly wallJPerK: number;
  readonly lossFactor: number;
  readonly steamFactor: number;
  readonly intoPlate: number;
  readonly knobPower: number;
  readonly probeLagS: number;
  readonly noiseC: number;
}

const between = (chance: () => number, low: number, high: number): number => low + (high - low) * chance();

export function anyPot(chance: () => number): RichPot {
  const litres = between(chance, 3, 14);
  return {
    litres,
    vesselLitres: litres * between(chance, 1.3, 1.8),
    maxW: between(chance, 1200, 2500),
    roomC: between(chance, 17, 23),
    hasLid: chance() < 0.5,
    plateJPerK: between(chance, 300, 1800),
    plateWPerK: between(chance, 8, 25),
    wallJPerK: litres * between(chance, 60, 200),
    lossFactor: between(chance, 0.6, 1.6),
    steamFactor: between(chance, 0.6, 1.6),
    intoPlate: between(chance, 0.75, 0.95),
    knobPower: between(chance, 0.9, 1.25),
    probeLagS: between(chance, 5, 25),
    noiseC: 0.15,
  };
}

const DT_S = 2;

/** The simulated truth, stepped by two seconds. @param knobAt 0–10 at a moment, told the last reading */
export class RichRunner {
  private waterC: number;
  private wallC: number;
  private plateC: number;
  private probeC: number;
  private kg: number;
  private atS = 0;
  readonly readings: Reading[] = [];
  readonly trueC: { atMs: number; c: number }[] = [];

  constructor(
    private readonly pot: RichPot,
    startC: number,
    private readonly chance: () => number,
    private readonly everyS = 20,
  ) {
    this.waterC = this.wallC = this.probeC = startC;
    this.plateC = pot.roomC;
    this.kg = pot.litres;
    this.read();
  }

  get nowMs(): number {
    return this.atS * 1000;
  }
  get c(): number {
    return this.waterC;
  }

  private read(): void {
    const noise = (this.chance() + this.chance() + this.chance() - 1.5) * 2 * this.pot.noiseC;
    this.readings.push({ atMs: this.nowMs, bathC: Math.round((this.probeC + noise) * 10) / 10 });
  }

  run(seconds: number, knob: number): void {
    const { pot } = this;
    const radiusM = Math.cbrt(pot.vesselLitres / 1000 / Math.PI);
    const openM2 = Math.PI * radiusM ** 2;
    for (let s = 0; s < seconds; s += DT_S) {
      // The thermostat gives all or nothing, by turns of forty seconds.
      const share = (knob / 10) ** pot.knobPower;
      const on = this.atS % 40 < 40 * share;
      const sourceW = on ? pot.maxW : 0;
      const toWallW = pot.plateWPerK * (this.plateC - this.wallC);
      const toWaterW = 60 * Math.sqrt(pot.litres) * (this.wallC - this.waterC);
      const plateLossW = (1 - pot.intoPlate) * Math.max(0, toWallW);
      this.plateC += (DT_S * (sourceW - toWallW - plateLossW)) / pot.plateJPerK;
      const wallLossW = pot.lossFactor * 3 * openM2 * (7 * (this.wallC - pot.roomC) + 5.67e-8 * 0.6 * ((this.wallC + 273.15) ** 4 - (pot.roomC + 273.15) ** 4));
      this.wallC += (DT_S * (toWallW - toWaterW - wallLossW)) / pot.wallJPerK;
      const kpa = vapourPressurePa(this.waterC) / 1000;
      const steamW = pot.steamFactor * 89 * openM2 * (pot.hasLid ? 0.1 : 1) * Math.max(0, kpa - 1.17);
      this.waterC = Math.min(100, this.waterC + (DT_S * (toWaterW - steamW)) / (this.kg * 4186));
      this.kg -= (steamW * DT_S) / 2.28e6;
      this.probeC += (DT_S * (this.waterC - this.probeC)) / pot.probeLagS;
      this.atS += DT_S;
      this.trueC.push({ atMs: this.nowMs, c: this.waterC });
      if (this.atS % this.everyS === 0) this.read();
    }
  }
}
