'use client';
import { Checkbox, ColorPicker, Input, InputNumber, Modal, Select } from 'antd';
import { useState } from 'react';
import type { LotView } from '@/contract/views';
import { FIBRES, FINISH_SAYS, FINISHES, type FibreKind, type Finish, type LotForm as Form, LOT_FORMS, type Share } from '@/core/fibre/lot';
import { post, put } from '../api/http';
import { newId } from '../api/newId';
import { useSave } from '../api/useSave';
import { Field, FormProblem } from '../shell/Field';
import { PictureColour } from './PictureColour';
import { useWeight, WeightField } from './WeightField';
import { readWeight } from './weightDraft';

interface Props {
  readonly lot: LotView | null;
  readonly onClose: () => void;
  readonly onSaved: () => void;
}

/** A lot of fibre: adding one, or changing it. What the server points out stands under its field. */
export function LotForm({ lot: current, onClose, onSaved }: Props) {
  // The lot as it was opened: the page behind reloads when another device changes it, and this form must not overwrite that unseen.
  const [lot] = useState(current);
  const [id] = useState(() => lot?.id ?? newId());
  const [name, setName] = useState(lot?.name ?? '');
  const [form, setForm] = useState<Form>(lot?.form ?? 'skein');
  const [shares, setShares] = useState<readonly Share[]>(lot ? lot.composition : [{ fibre: 'wool', pct: 100 }]);
  const [weight, setWeight] = useWeight(lot?.dryWeightG ?? { state: 'measured', value: 0 }, lot?.weightFrom ?? null);
  const [finishes, setFinishes] = useState<readonly Finish[] | null>(lot ? lot.finishes : []);
  const [pieces, setPieces] = useState(lot?.pieces ?? 1);
  const [baseHex, setBaseHex] = useState(lot?.baseHex ?? null);
  const [note, setNote] = useState(lot?.note ?? '');
  const { errors, saving, save, refuse } = useSave(['name', 'pieces', 'composition', 'dryWeightG', 'weightFrom', 'note']);
  const keep = () => {
    const read = readWeight(weight, shares);
    if ('problem' in read) return refuse('dryWeightG', read.problem);
    const body = { name, form, composition: shares, finishes, dryWeightG: read.figure, weightFrom: read.from, pieces, baseHex, note };
    void save(
      () => (lot ? put(`/lots/${lot.id}`, { ...body, revision: lot.revision }) : post('/lots', { id, ...body })),
      () => {
        onSaved();
        onClose();
      },
    );
  };
  return (
    <Modal
      open
      title={lot ? `Change ${lot.name}` : 'Add a lot'}
      okText="Keep"
      cancelText="Not now"
      okButtonProps={{ disabled: saving }}
      onOk={keep}
      onCancel={onClose}
    >
      <Field label="Name" problem={errors.name}>
        <Input value={name} maxLength={200} status={errors.name ? 'error' : ''} onChange={(event) => setName(event.target.value)} />
      </Field>
      <div className="params">
        <Field label="Form">
          <Select value={form} onChange={setForm} options={LOT_FORMS.map((value) => ({ value, label: value }))} />
        </Field>
        <Field label="Pieces" problem={errors.pieces}>
          <InputNumber value={pieces} onChange={(value) => setPieces(value ?? 1)} status={errors.pieces ? 'error' : ''} style={{ width: '100%' }} />
        </Field>
      </div>
      <fieldset className="field">
        <legend>Composition</legend>
        {shares.map((share, i) => (
          <div key={share.fibre} className="share">
            <Select
              value={share.fibre}
              aria-label="Fibre"
              options={(Object.keys(FIBRES) as FibreKind[]).map((value) => ({
                value,
                label: FIBRES[value].name,
                disabled: shares.some((s) => s.fibre === value),
              }))}
              onChange={(fibre) => setShares(shares.with(i, { ...share, fibre }))}
            />
            <InputNumber value={share.pct} suffix="%" aria-label="Share" onChange={(pct) => setShares(shares.with(i, { ...share, pct: pct ?? 0 }))} />
            <button type="button" className="act act-small" onClick={() => setShares(shares.toSpliced(i, 1))}>
              Remove
            </button>
          </div>
        ))}
        {shares.length === 0 ? <p className="quiet">Unknown composition. It can still be planned with.</p> : null}
        <button
          type="button"
          className="act act-small"
          onClick={() => {
            const free = (Object.keys(FIBRES) as FibreKind[]).find((fibre) => !shares.some((share) => share.fibre === fibre));
            if (free) setShares([...shares, { fibre: free, pct: Math.max(0, 100 - shares.reduce((sum, share) => sum + share.pct, 0)) }]);
          }}
        >
          Add a fibre
        </button>
        <FormProblem text={errors.composition} />
      </fieldset>
      <WeightField draft={weight} composition={shares} problem={errors.dryWeightG ?? errors.weightFrom} onChange={setWeight} />
      <fieldset className="field">
        <legend>Finish</legend>
        <Checkbox checked={finishes === null} onChange={(event) => setFinishes(event.target.checked ? null : [])}>
          unknown
        </Checkbox>
        {FINISHES.map((finish) => (
          <Checkbox
            key={finish}
            disabled={finishes === null}
            checked={finishes?.includes(finish) ?? false}
            onChange={(event) => setFinishes(event.target.checked ? [...(finishes ?? []), finish] : (finishes ?? []).filter((one) => one !== finish))}
          >
            {finish}
          </Checkbox>
        ))}
        {finishes?.length ? <p className="quiet small">{finishes.map((finish) => `${finish}: ${FINISH_SAYS[finish]}`).join('; ')}.</p> : null}
      </fieldset>
      <div className="field">
        <span>Colour before dyeing</span>
        <div className="share">
          <ColorPicker
            value={baseHex ?? '#ece6d8'}
            disabledAlpha
            disabledFormat
            onChange={(colour) => setBaseHex(colour.toHexString().slice(0, 7))}
            showText={() => baseHex ?? 'nobody looked'}
          />
          {baseHex ? (
            <button type="button" className="act act-small" onClick={() => setBaseHex(null)}>
              Unknown
            </button>
          ) : null}
        </div>
        <PictureColour onColour={setBaseHex} />
      </div>
      <Field label="Note" problem={errors.note}>
        <Input.TextArea value={note} autoSize={{ minRows: 2, maxRows: 6 }} onChange={(event) => setNote(event.target.value)} />
      </Field>
      <FormProblem text={errors['']} />
    </Modal>
  );
}
