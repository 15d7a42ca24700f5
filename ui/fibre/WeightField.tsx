'use client';
import { Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import type { Share } from '@/core/fibre/lot';
import { COUNT_LABEL, COUNT_SYSTEMS, type CountSystem, REGAIN_SOURCE, type RegainTable, type WeightFrom, weightWorking } from '@/core/fibre/weight';
import type { Figure } from '@/core/figure';
import { parseQuantity, refusalText } from '@/core/measure/parseQuantity';
import { printMass } from '@/core/measure/print';
import { convert } from '@/core/measure/units';
import { Field } from '../shell/Field';

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
    way: from?.kind ?? (figure.state === 'unknown' ? 'unknown' : figure.state === 'estimated' ? 'estimated' : 'weighed'),
    text: figure.state === 'unknown' || figure.value === 0 ? '' : `${figure.value} g`,
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

/** The weight as typed, and how it was come by; or what to mend. */
export function readWeight(draft: WeightDraft, composition: readonly Share[]): { figure: Figure; from: WeightFrom | null } | { problem: string } {
  if (draft.way === 'unknown') return { figure: { state: 'unknown' }, from: null };
  if (draft.way === 'weighed' || draft.way === 'estimated') {
    const parsed = parseQuantity(draft.text, 'mass', null, 'g');
    if (!parsed.ok) return { problem: parsed.error.why === 'empty' ? 'Type the weight, or choose “unknown”.' : refusalText(parsed.error) };
    const value = Math.round(convert(parsed.value.value, parsed.value.unit, 'g') * 1000) / 1000;
    return { figure: { state: draft.way === 'weighed' ? 'measured' : 'estimated', value }, from: null };
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

function fromOf(draft: WeightDraft): WeightFrom | null {
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

const WAYS: readonly { value: WeightWay; label: string }[] = [
  { value: 'weighed', label: 'weighed' },
  { value: 'estimated', label: 'estimated' },
  { value: 'cloth', label: 'cloth: size × g/m²' },
  { value: 'yarn', label: 'yarn: length × count' },
  { value: 'regain', label: 'from an oven-dry weight' },
  { value: 'unknown', label: 'unknown' },
];

/** A dry weight: weighed, worked out with its sum shown, or unknown. */
export function WeightField({
  draft,
  composition,
  problem,
  onChange,
}: {
  draft: WeightDraft;
  composition: readonly Share[];
  problem: string | undefined;
  onChange: (draft: WeightDraft) => void;
}) {
  const set = (change: Partial<WeightDraft>) => onChange({ ...draft, ...change });
  const number = (label: string, value: number | null, suffix: string, change: (value: number | null) => void) => (
    <Field label={label}>
      <InputNumber value={value} min={0} suffix={suffix} onChange={change} style={{ width: '100%' }} />
    </Field>
  );
  const from = fromOf(draft);
  const working = from && weightWorking(from, composition);
  return (
    <fieldset className="field">
      <legend>Dry weight</legend>
      <div className="params">
        <Field label="How it is known">
          <Select value={draft.way} options={[...WAYS]} onChange={(way) => set({ way })} />
        </Field>
        {draft.way === 'weighed' || draft.way === 'estimated' ? (
          <Field label="Weight" problem={problem}>
            <Input value={draft.text} placeholder="152 g, or 5 oz" status={problem ? 'error' : ''} onChange={(event) => set({ text: event.target.value })} />
          </Field>
        ) : null}
        {draft.way === 'cloth' ? (
          <>
            {number('Width', draft.widthCm, 'cm', (widthCm) => set({ widthCm }))}
            {number('Length', draft.lengthCm, 'cm', (lengthCm) => set({ lengthCm }))}
            {number('Pieces of this size', draft.pieces, '', (pieces) => set({ pieces: pieces ?? 1 }))}
            {number('Mass per area', draft.gPerM2, 'g/m²', (gPerM2) => set({ gPerM2 }))}
          </>
        ) : null}
        {draft.way === 'yarn' ? (
          <>
            {number('Length', draft.lengthM, 'm', (lengthM) => set({ lengthM }))}
            <Field label="Count">
              <Select
                value={draft.system}
                options={COUNT_SYSTEMS.map((value) => ({ value, label: COUNT_LABEL[value] }))}
                onChange={(system) => set({ system })}
              />
            </Field>
            {number('Its number', draft.count, '', (count) => set({ count }))}
            {draft.system === 'mPer100g' || draft.system === 'ydPerLb' ? null : number('Plies', draft.plies, '', (plies) => set({ plies: plies ?? 1 }))}
          </>
        ) : null}
        {draft.way === 'regain' ? (
          <>
            {number('Oven-dry weight', draft.ovenDryG, 'g', (ovenDryG) => set({ ovenDryG }))}
            <Field label="Table">
              <Select
                value={draft.table}
                options={(['astm', 'eu'] as const).map((value) => ({ value, label: REGAIN_SOURCE[value] }))}
                onChange={(table) => set({ table })}
              />
            </Field>
          </>
        ) : null}
      </div>
      {working ? (
        <p className="quiet small">
          {working.formula} = {working.result === null ? `unknown until you know: ${working.missing.join(', ')}` : printMass(working.result)}. Source:{' '}
          {working.source}.
        </p>
      ) : null}
      {problem && draft.way !== 'weighed' && draft.way !== 'estimated' ? (
        <span className="field-error" role="alert">
          {problem}
        </span>
      ) : null}
    </fieldset>
  );
}

export const useWeight = (figure: Figure, from: WeightFrom | null) => useState(() => weightDraft(figure, from));
