'use client';
import { Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import type { Share } from '@/core/fibre/lot';
import { COUNT_LABEL, COUNT_SYSTEMS, REGAIN_SOURCE, type WeightFrom, weightWorking } from '@/core/fibre/weight';
import type { Figure } from '@/core/figure';
import { printMass } from '@/core/measure/print';
import { Field } from '../shell/Field';
import { fromOf, type WeightDraft, type WeightWay, weightDraft } from './weightDraft';

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
