'use client';
import { Select } from 'antd';
import type { Share } from '@/core/fibre/fibre';
import { COUNT_LABEL, COUNT_SYSTEMS, REGAIN_SOURCE, weightWorking } from '@/core/fibre/weight';
import { printNumber } from '@/core/measure/print';
import { Field } from '../form/Field';
import { FigureInput } from '../form/FigureInput';
import { TypedInput } from '../form/TypedInput';
import { amountReader, massReader, numberReader, quantityReader } from '../form/typed';
import { usePrint } from '../shell/facts';
import { Help } from '../shell/Help';
import { WorkingLines } from '../shell/WorkingLines';
import { fromOf, type WeightDraft, type WeightWay } from './weightDraft';

const WAYS: readonly { value: WeightWay; label: string }[] = [
  { value: 'weighed', label: 'weighed' },
  { value: 'estimated', label: 'estimated' },
  { value: 'cloth', label: 'cloth: size × g/m²' },
  { value: 'yarn', label: 'yarn: length × count' },
  { value: 'regain', label: 'from an oven-dry weight' },
  { value: 'unknown', label: 'unknown' },
];

const pieceCount = numberReader(1, 10_000);
const plyCount = numberReader(1, 64);
const yarnNumber = numberReader(0, 100_000);

interface Props {
  readonly value?: WeightDraft;
  readonly onChange?: (draft: WeightDraft) => void;
  readonly composition: readonly Share[];
}

/** A dry weight: weighed, worked out with its sum shown, or unknown. */
export function WeightField({ value: draft, onChange, composition }: Props) {
  const print = usePrint();
  if (!draft) return null;
  const set = (change: Partial<WeightDraft>) => onChange?.({ ...draft, ...change });
  const length = quantityReader('length', 'cm', print.measures);
  const metres = quantityReader('length', 'm', print.measures);
  const areal = quantityReader('arealMass', 'gPerM2', print.measures);
  const from = fromOf(draft);
  const working = from && weightWorking(from, composition);
  return (
    <fieldset>
      <legend>Dry weight</legend>
      <div className="fields">
        <Field label="How it is known">
          {(id) => <Select id={id} value={draft.way} options={[...WAYS]} onChange={(way) => set({ way })} style={{ width: '100%' }} />}
        </Field>
        {draft.way === 'weighed' || draft.way === 'estimated' ? (
          <Field label="Weight">
            {(id) => (
              <TypedInput
                id={id}
                value={draft.text}
                placeholder="152 g, 5 oz, 100–200 g"
                read={amountReader('g', null, print.measures)}
                onChange={(text) => set({ text })}
                inForm
              />
            )}
          </Field>
        ) : null}
        {draft.way === 'cloth' ? (
          <>
            <Field label="Width">
              {(id) => (
                <FigureInput id={id} value={draft.widthCm} read={length} print={(cm) => `${printNumber(cm)} cm`} onChange={(widthCm) => set({ widthCm })} />
              )}
            </Field>
            <Field label="Length">
              {(id) => (
                <FigureInput id={id} value={draft.lengthCm} read={length} print={(cm) => `${printNumber(cm)} cm`} onChange={(lengthCm) => set({ lengthCm })} />
              )}
            </Field>
            <Field label="Pieces of this size">
              {(id) => <FigureInput id={id} value={draft.pieces} read={pieceCount} print={printNumber} onChange={(pieces) => set({ pieces: pieces ?? 1 })} />}
            </Field>
            <Field label="Mass per area">
              {(id) => <FigureInput id={id} value={draft.gPerM2} read={areal} print={(g) => `${printNumber(g)} g/m²`} onChange={(gPerM2) => set({ gPerM2 })} />}
            </Field>
          </>
        ) : null}
        {draft.way === 'yarn' ? (
          <>
            <Field label="Length">
              {(id) => (
                <FigureInput id={id} value={draft.lengthM} read={metres} print={(m) => `${printNumber(m)} m`} onChange={(lengthM) => set({ lengthM })} />
              )}
            </Field>
            <Field label="Count">
              {(id) => (
                <Select
                  id={id}
                  value={draft.system}
                  options={COUNT_SYSTEMS.map((value) => ({ value, label: COUNT_LABEL[value] }))}
                  onChange={(system) => set({ system })}
                  style={{ width: '100%' }}
                />
              )}
            </Field>
            <Field label="Its number">
              {(id) => <FigureInput id={id} value={draft.count} read={yarnNumber} print={printNumber} onChange={(count) => set({ count })} />}
            </Field>
            {draft.system === 'mPer100g' || draft.system === 'ydPerLb' ? null : (
              <Field label="Plies">
                {(id) => <FigureInput id={id} value={draft.plies} read={plyCount} print={printNumber} onChange={(plies) => set({ plies: plies ?? 1 })} />}
              </Field>
            )}
          </>
        ) : null}
        {draft.way === 'regain' ? (
          <>
            <Field label="Oven-dry weight">
              {(id) => (
                <FigureInput id={id} value={draft.ovenDryG} read={massReader(print.measures)} print={print.mass} onChange={(ovenDryG) => set({ ovenDryG })} />
              )}
            </Field>
            <Field label="Table">
              {(id) => (
                <Select
                  id={id}
                  value={draft.table}
                  options={(['astm', 'eu'] as const).map((value) => ({ value, label: REGAIN_SOURCE[value] }))}
                  onChange={(table) => set({ table })}
                  style={{ width: '100%' }}
                />
              )}
            </Field>
          </>
        ) : null}
      </div>
      {working ? (
        <p aria-live="polite">
          {working.formula} = {working.result === null ? 'unknown' : print.mass(working.result)}{' '}
          <Help word="working" of="dry weight">
            <WorkingLines working={working} />
          </Help>
        </p>
      ) : null}
    </fieldset>
  );
}
