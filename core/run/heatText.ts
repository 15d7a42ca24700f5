import type { Band } from '../chem/band';
import type { MinutesTo } from '../heat/forecast';
import { printDuration } from '../measure/print';
import type { Printer } from '../measure/printer';
import type { HeatNow } from './heatNow';

const MIN = 60_000;

/** Less than this in an hour nobody tops up for, mL. */
const STEAM_SAID_ML = 100;

/** "in about 12 min (10–14)": counted from the moment somebody reads it. */
function inText({ low, likely, high }: MinutesTo, sinceMin: number): string {
  const left = (minutes: number): number => Math.max(0, Math.round(minutes - sinceMin));
  const [a, b] = [left(low), high === null ? null : left(high)];
  const range = b === null ? ` (${a} at the least)` : a === b ? '' : ` (${a}–${b})`;
  return `in about ${printDuration(left(likely))}${range}`;
}

/** So much of a bath may go before it is topped up (safety handbook R16 asks before the level drops; the share is ours). */
const TOP_UP_SHARE = 0.1;
/** Farther off nobody is told. */
const TOP_UP_WITHIN_MIN = 240;

/** "About 400 mL an hour goes off as steam: a tenth of the bath in about 50 min, top up hot by then; a lid keeps most of it" */
function steamText({ gonePerHourMl, hasLid }: HeatNow, bathMl: number | null, print: Printer): string {
  const inMin = bathMl === null ? null : ((TOP_UP_SHARE * bathMl) / gonePerHourMl.likely) * 60;
  const topUp = inMin === null || inMin > TOP_UP_WITHIN_MIN ? '' : `a tenth of the bath in about ${printDuration(Math.round(inMin))}, top up hot by then`;
  const tail = [topUp, hasLid ? '' : 'a lid keeps most of it'].filter(Boolean).join('; ');
  return `About ${print.volume(Number(gonePerHourMl.likely.toPrecision(1)))} an hour goes off as steam${tail ? `: ${tail}` : ''}`;
}

/**
 * What a pot will do if it is left alone, a line each; when to turn it down is a call.
 * @param bathMl how much is in it; null: nobody knows
 */
export function heatLines(heat: HeatNow, bandC: readonly [number, number] | null, print: Printer, nowMs: number, bathMl: number | null = null): string[] {
  const since = Math.max(0, (nowMs - heat.asOfMs) / MIN);
  const lines: string[] = [];
  if (heat.toBand && bandC) lines.push(`${print.temperature(bandC[0])} ${inText(heat.toBand, since)}`);
  if (heat.stopsAtC !== null && bandC)
    lines.push(`It stops at about ${print.temperature(Math.round(heat.stopsAtC))} like this: more heat${heat.hasLid ? '' : ', or a lid'}`);
  if (heat.leaves && bandC)
    lines.push(
      heat.leaves.where === 'above'
        ? `past ${print.temperature(bandC[1])} ${inText(heat.leaves.inMin, since)}`
        : `below ${print.temperature(bandC[0])} ${inText(heat.leaves.inMin, since)}: a little more heat`,
    );
  if (bandC && !heat.toBand && !heat.leaves && !heat.turnDown && heat.stopsAtC === null && isInside(heat.inTenC, bandC))
    lines.push('Stays in its band like this');
  if (heat.handWarm) lines.push(`hand-warm ${inText(heat.handWarm, since)}`);
  if (heat.gonePerHourMl.likely >= STEAM_SAID_ML) lines.push(steamText(heat, bathMl, print));
  if (heat.isBadly) lines.push('It does not heat as one body: take this as a guess');
  return lines;
}

const isInside = ({ likely }: Band, [low, high]: readonly [number, number]): boolean => low <= likely && likely <= high;

/** "Turn down to 3", "Turn it off", "Turn down to about a third of this heat". */
export function turnDownText({ knob, toShare }: Pick<NonNullable<HeatNow['turnDown']>, 'knob' | 'toShare'>): string {
  return knob === 0 ? 'Turn it off' : `Turn down${knob === null ? shareText(toShare) : ` to ${knob}`}`;
}

/** Tenths, as one turns a knob by eye. */
const SHARES: readonly (readonly [most: number, says: string])[] = [
  [0.08, ' to almost nothing'],
  [0.18, ' to about an eighth of this heat'],
  [0.29, ' to about a quarter of this heat'],
  [0.42, ' to about a third of this heat'],
  [0.6, ' to about half of this heat'],
  [0.72, ' to about two thirds of this heat'],
  [0.85, ' to about three quarters of this heat'],
];
const shareText = (share: number): string => SHARES.find(([most]) => share <= most)?.[1] ?? ' a little';
