/**
 * Boiling point of water at an altitude. Pressure: ISO 2533:1975 standard atmosphere. Saturation: Wagner & Pruss 1993,
 * vapour-pressure equation, solved by bisection. Weather moves the boil by about ±0.8 °C, so half a degree is as fine as
 * it means anything.
 */

const CRITICAL_K = 647.096;
const CRITICAL_PA = 22.064e6;

/** Air pressure at a geopotential altitude, Pa. @param altitudeM −500 to 11 000 m */
export const pressurePa = (altitudeM: number): number => 101_325 * (1 - (0.0065 * altitudeM) / 288.15) ** 5.25588;

/** Vapour pressure of water, Pa (Wagner & Pruss 1993, eq. 1). @param c 0 to 370 °C */
export function vapourPressurePa(c: number): number {
  const k = c + 273.15;
  const t = 1 - k / CRITICAL_K;
  const sum = -7.85951783 * t + 1.84408259 * t ** 1.5 - 11.7866497 * t ** 3 + 22.6807411 * t ** 3.5 - 15.9618719 * t ** 4 + 1.80122502 * t ** 7.5;
  return CRITICAL_PA * Math.exp((CRITICAL_K / k) * sum);
}

/** Temperature at which water boils, °C. @param altitudeM −450 to 6000 m */
export function boilingC(altitudeM: number): number {
  const wantedPa = pressurePa(altitudeM);
  let low = 50;
  let high = 120;
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (vapourPressurePa(middle) < wantedPa) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
