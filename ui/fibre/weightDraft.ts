import { parseAmount } from '@/core/dose/parseAmount';
import type { Share } from '@/core/fibre/fibre';
import { type CountSystem, type RegainTable, type WeightFrom, weightWorking } from '@/core/fibre/weight';
import { asGuessed, type Figure } from '@/core/figure';
import { asTyped } from '../form/typed';

export type WeightWay = 'weighed' | 'estimated' | 'unknown' | 'cloth' | 'yarn' | 'regain';

/** What a weight is being worked out from, while it is typed. */
export interface WeightDraft {
  readonly way: WeightWay;
  readonly text: string;
  readonly widthCm: number | null;
  readonly lengthCm: number | null;
  readonly pieces: number;
  readonly gPerM2: number | null;
  readonly lengthM: number | null;
  readonly system: CountSystem;
  readonly count: number | null;
  readonly plies: number;
  readonly ovenDryG: number | null;
  readonly table: RegainTable;
}

export function weightDraft(figure: Figure, from: WeightFrom | null): WeightDraft {
  const blank: WeightDraft = {
    way: from?.kind ?? (figure.state === 'unknown' ? 'unknown' : figure.state === 'measured' ? 'weighed' : 'estimated'),
    text: asTyped(figure, 'g'),
    widthCm: null,
    lengthCm: null,
    pieces: 1,
    gPerM2: null,
    lengthM: null,
    system: 'mPer100g',
    count: null,
    plies: 1,
    ovenDryG: null,
    table: 'astm',
  };
  switch (from?.kind) {
    case 'cloth':
      return { ...blank, ...from, way: 'cloth' };
    case 'yarn':
      return { ...blank, way: 'yarn', lengthM: from.lengthM, system: from.count.system, count: from.count.value, plies: from.count.plies };
    case 'regain':
      return { ...blank, ...from, way: 'regain' };
    default:
      return blank;
  }
}

const toMg = (g: number): number => Math.round(g * 1000) / 1000;

function roundedFigure(figure: Exclude<Figure, { state: 'unknown' }>): Exclude<Figure, { state: 'unknown' }> {
  if (figure.state === 'between') return { ...figure, least: toMg(figure.least), most: figure.most === null ? null : toMg(figure.most) };
  return { ...figure, value: toMg(figure.value) };
}

/** The weight as typed, and how it was come by; or what to mend. */
export function readWeight(draft: WeightDraft, composition: readonly Share[]): { figure: Figure; from: WeightFrom | null } | { problem: string } {
  if (draft.way === 'unknown') return { figure: { state: 'unknown' }, from: null };
  if (draft.way === 'weighed' || draft.way === 'estimated') {
    if (draft.text.trim() === '') return { problem: 'Type the weight, or choose “unknown”.' };
    const parsed = parseAmount(draft.text, 'g');
    if (!parsed.ok) return { problem: parsed.error };
    const figure = roundedFigure(parsed.value.figure);
    return { figure: draft.way === 'estimated' ? asGuessed(figure) : figure, from: null };
  }
  const from = fromOf(draft);
  const result = from && weightWorking(from, composition).result;
  if (!from || result === null || !(result > 0))
    return {
      problem:
        draft.way === 'regain' && composition.length === 0
          ? 'The composition must be known for this sum.'
          : 'Fill every figure of the sum, or choose “unknown”.',
    };
  return { figure: { state: 'estimated', value: Math.round(result * 100) / 100 }, from };
}

/** The sum as far as its figures are typed; null while one is missing. */
export function fromOf(draft: WeightDraft): WeightFrom | null {
  const { widthCm, lengthCm, pieces, gPerM2, lengthM, count, ovenDryG } = draft;
  switch (draft.way) {
    case 'cloth':
      return widthCm && lengthCm && gPerM2 ? { kind: 'cloth', widthCm, lengthCm, pieces, gPerM2 } : null;
    case 'yarn':
      return lengthM && count ? { kind: 'yarn', lengthM, count: { system: draft.system, value: count, plies: draft.plies } } : null;
    case 'regain':
      return ovenDryG ? { kind: 'regain', ovenDryG, table: draft.table } : null;
    default:
      return null;
  }
}
