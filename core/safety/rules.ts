import type { Fit } from '../dose/fit';
import { printNumber } from '../measure/print';
import { ASSISTANTS, type AssistantId } from '../shelf/substances';
import type { Finding } from './finding';

type At = { readonly stepId: string | null };

/** R12 / P2: over 75 % full at 80 °C or more boils over; over 90 % with any heat, or past the brim, cannot start. */
export function fillRule(fit: Fit, targetC: number | null, heated: boolean, at: At): Finding[] {
  const pct = printNumber(fit.fillPct);
  if (fit.overMl > 0) {
    return [{ rule: 'R12', severity: 'stop', text: `This overfills the vessel: ${pct} % of the brim. Use a bigger one or split the batch.`, ...at }];
  }
  if (heated && fit.fillPct > 90) {
    return [{ rule: 'R12', severity: 'stop', text: `Pot ${pct} % full: it can boil over and scald. Use a bigger pot or split the batch.`, ...at }];
  }
  // An unknown target counts as the worst plausible one.
  if (heated && fit.fillPct > 75 && (targetC ?? 100) >= 80) {
    return [{ rule: 'R12', severity: 'caution', text: `Pot ${pct} % full: it can boil over and scald. Use a bigger pot or split the batch.`, ...at }];
  }
  return [];
}

/** R13 / P3: lifting. Above 15 kg it is emptied by the jug first; moved hot above 50 °C it cannot start. */
export function liftRule(totalKg: number, movedAtC: number | null, at: At): Finding[] {
  if (totalKg <= 12) return [];
  const kg = printNumber(totalKg);
  if (movedAtC !== null && movedAtC > 50) {
    return [{ rule: 'R13', severity: 'stop', text: `${kg} kg of hot liquid and pot. Move it empty and fill in place; cool first.`, ...at }];
  }
  const jug = totalKg > 15 ? ' Empty it by the jug first.' : '';
  return [{ rule: 'R13', severity: 'caution', text: `${kg} kg of liquid and pot. Move it empty and fill in place; cool first.${jug}`, ...at }];
}

/** R2: a dose above what many dyers use. */
export function doseRule(id: AssistantId, pct: number, at: At): Finding[] {
  const assistant = ASSISTANTS[id];
  if (assistant.stopAbovePct !== null && pct > assistant.stopAbovePct) {
    return [
      {
        rule: 'R2',
        severity: assistant.stopNeedsReason ? 'stopUnlessReason' : 'stop',
        text: doseText(assistant.name, pct, assistant.stopAbovePct, assistant.why),
        ...at,
      },
    ];
  }
  if (assistant.cautionAbovePct !== null && pct > assistant.cautionAbovePct) {
    return [{ rule: 'R2', severity: 'caution', text: doseText(assistant.name, pct, assistant.cautionAbovePct, assistant.why), ...at }];
  }
  return [];
}

const doseText = (name: string, pct: number, limit: number, why: string): string =>
  `${printNumber(pct)} % ${name} is above the ${limit} % many dyers use: ${why}. Check grams and fibre weight.`;

/** R3: iron on wool and silk. @param minAt40C minutes of contact at 40 °C or more */
export function ironRule(pct: number, minAt40C: number, at: At): Finding[] {
  const text = `Iron weakens wool and silk over years. ${printNumber(pct)} %, ${printNumber(minAt40C)} min hot: shorten the dip, rinse well, expect a harsher hand.`;
  if (pct > 6) return [{ rule: 'R3', severity: 'stopUnlessReason', text, ...at }];
  return pct > 4 || minAt40C > 10 ? [{ rule: 'R3', severity: 'caution', text, ...at }] : [];
}

/** R6: a mass the scale cannot weigh well. */
export function scaleRule(massG: number, scaleG: number, at: At): Finding[] {
  return massG < 10 * scaleG
    ? [
        {
          rule: 'R6',
          severity: 'caution',
          text: `${printNumber(massG)} g on a scale reading ${scaleG} g can be far off. Make a stock solution and measure by volume.`,
          ...at,
        },
      ]
    : [];
}

/** R7: heat on hair and silk. */
export function fibreHeatRule(hottestC: number, fibre: { wool: boolean; silk: boolean }, at: At): Finding[] {
  const text = `${printNumber(hottestC)} °C can felt wool or dull silk. Hold lower, no rolling boil.`;
  if ((fibre.wool && hottestC > 95) || (fibre.silk && hottestC > 95)) return [{ rule: 'R7', severity: 'caution', text, ...at }];
  return fibre.silk && hottestC > 85 ? [{ rule: 'R7', severity: 'note', text, ...at }] : [];
}

/** R8: heating hair fast. @param rate average rise above 40 °C, °C/min */
export function fibreRateRule(rate: number, at: At): Finding[] {
  if (rate <= 1) return [];
  const text = `Heating at ${rate.toFixed(2)} °C/min can felt wool. Aim near 1 °C a minute and leave it still.`;
  return [{ rule: 'R8', severity: rate > 1.5 ? 'caution' : 'note', text, ...at }];
}

export interface Absence {
  readonly fromMs: number;
  readonly toMs: number;
}

/** R14 / P6: heat while nobody is home and awake. A hold that ends as the quiet hours begin is clear of it. */
export function unattendedHeatRule(heat: Absence, absences: readonly Absence[], printTime: (ms: number) => string, at: At): Finding[] {
  const clash = absences.find((gap) => gap.fromMs < heat.toMs && gap.toMs > heat.fromMs);
  if (!clash) return [];
  const a = printTime(Math.max(clash.fromMs, heat.fromMs));
  const b = printTime(Math.min(clash.toMs, heat.toMs));
  return [
    { rule: 'R14', severity: 'stop', text: `Heat is planned from ${a} to ${b} while nobody is awake and near. Move it, or make it a heat-off rest.`, ...at },
  ];
}

/** R16: long simmers lose water. */
export function longSimmerRule(heatMin: number, at: At): Finding[] {
  return heatMin > 60
    ? [{ rule: 'R16', severity: 'caution', text: 'More than an hour on heat: look in every 20 min and top up with hot water before the level drops.', ...at }]
    : [];
}

/** Metals that react with salts and acids of a bath (X7, X8) and with food vessels (P8). */
export function vesselRule(vessel: { material: string; dyeOnly: boolean; name: string }, alkali: boolean, metalSalt: boolean, at: At): Finding[] {
  const findings: Finding[] = [];
  if (alkali && vessel.material === 'aluminium') {
    findings.push({ rule: 'X7', severity: 'caution', text: 'Alkali eats aluminium and frees hydrogen. Use steel, enamel or plastic.', ...at });
  }
  if (metalSalt && !vessel.dyeOnly) {
    findings.push({
      rule: 'P8',
      severity: 'stop',
      text: `${vessel.name} is still shared with food. Use dye equipment here, and keep it out of the kitchen for good.`,
      ...at,
    });
  }
  return findings;
}

export const PLAN_FOOTER = 'Cautions cover common hazards only. Read the label and safety data sheet of what you hold.';
