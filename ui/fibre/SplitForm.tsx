'use client';
import { Input, InputNumber, Modal, Select } from 'antd';
import { useState } from 'react';
import type { LotView } from '@/contract/views';
import { LOT_FORMS } from '@/core/fibre/lot';
import { checkSplit, evenParts, splitRefusalText } from '@/core/fibre/split';
import { type Figure, knownValue } from '@/core/figure';
import { parseIn, refusalText } from '@/core/measure/parseQuantity';
import { printMass } from '@/core/measure/print';
import { post } from '../api/http';
import { newId } from '../api/newId';
import { useSave } from '../api/useSave';
import { FormProblem } from '../shell/Field';

interface Part {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  /** The weight as an even split proposed it. */
  readonly proposed: string;
  readonly pieces: number;
}

function partOf(lot: LotView, i: number, g: number | null, pieces: number): Part {
  const text = g === null ? '' : `${g} g`;
  return { id: newId(), name: `${lot.name}, ${String.fromCharCode(97 + (i % 26))}`, text, proposed: text, pieces };
}

/** Splits a lot into parts; what is left over is said while it is typed, and one part may stay unweighed. */
export function SplitForm({ lot, onClose, onSaved }: { lot: LotView; onClose: () => void; onSaved: () => void }) {
  const wholeG = knownValue(lot.dryWeightG);
  const even = (count: number): Part[] => {
    const grams = wholeG === null ? null : evenParts(wholeG, count);
    return Array.from({ length: count }, (_, i) => partOf(lot, i, grams?.[i] ?? null, Math.max(1, Math.floor(lot.pieces / count))));
  };
  const [parts, setParts] = useState(() => even(2));
  const [form, setForm] = useState(lot.form);
  const { errors, saving, save, refuse } = useSave();
  const figures = parts.map((part): Figure | string => {
    if (part.text.trim() === '') return { state: 'unknown' };
    const parsed = parseIn(part.text, 'mass', 'g');
    if (!parsed.ok) return refusalText(parsed.error);
    // Shares that stand as proposed were weighed by nobody.
    return { state: part.text === part.proposed ? 'estimated' : 'measured', value: parsed.value };
  });
  const readable = figures.every((figure) => typeof figure !== 'string');
  const checked = readable
    ? checkSplit(
        lot,
        parts.map((part, i) => ({ name: part.name, dryWeightG: figures[i] as Figure })),
      )
    : null;
  const restG = wholeG === null || !readable ? null : wholeG - (figures as Figure[]).reduce((sum, figure) => sum + (knownValue(figure) ?? 0), 0);
  const keep = () => {
    if (!readable) return refuse('', 'One of the weights cannot be read.');
    void save(
      () =>
        post(`/lots/${lot.id}/split`, {
          revision: lot.revision,
          parts: parts.map((part, i) => ({ id: part.id, name: part.name, form, dryWeightG: figures[i], pieces: part.pieces, note: lot.note })),
        }),
      () => {
        onSaved();
        onClose();
      },
    );
  };
  return (
    <Modal open title={`Split ${lot.name}`} okText="Split it" cancelText="Not now" okButtonProps={{ disabled: saving }} onOk={keep} onCancel={onClose}>
      <p className="quiet">
        The parts carry its past with them. {wholeG === null ? 'Nobody weighed it, so the parts may stay unweighed.' : `It weighs ${printMass(wholeG)} dry.`}
      </p>
      <label className="field field-inline">
        <span>The parts are</span>
        <Select value={form} options={LOT_FORMS.map((value) => ({ value, label: value }))} onChange={setForm} style={{ minWidth: 120 }} />
      </label>
      <label className="field field-inline">
        <span>Into even parts</span>
        <InputNumber value={parts.length} min={2} max={40} onChange={(count) => count && setParts(even(count))} />
      </label>
      {parts.map((part, i) => {
        const figure = figures[i];
        const set = (change: Partial<Part>) => setParts(parts.with(i, { ...part, ...change }));
        return (
          <div key={part.id} className="share">
            <Input aria-label={`Name of part ${i + 1}`} value={part.name} maxLength={120} onChange={(event) => set({ name: event.target.value })} />
            <Input
              aria-label={`Weight of part ${i + 1}`}
              value={part.text}
              placeholder="unknown"
              status={typeof figure === 'string' ? 'error' : ''}
              onChange={(event) => set({ text: event.target.value })}
              style={{ maxWidth: 110 }}
            />
            <InputNumber aria-label={`Pieces in part ${i + 1}`} value={part.pieces} min={1} suffix="pcs" onChange={(pieces) => set({ pieces: pieces ?? 1 })} />
          </div>
        );
      })}
      <p aria-live="polite" className={checked?.ok ? 'quiet small' : 'field-error'}>
        {!readable
          ? 'One of the weights cannot be read.'
          : checked && !checked.ok
            ? splitRefusalText(checked.error)
            : restG === null
              ? ''
              : Math.abs(restG) < 0.05
                ? 'The weights add up.'
                : `${printMass(restG)} are left for the part without a weight.`}
      </p>
      <FormProblem text={errors['']} />
    </Modal>
  );
}
