'use client';
import { Checkbox, ColorPicker, Input, InputNumber, Modal, Select } from 'antd';
import { useState } from 'react';
import { plantRowsFor } from '@/core/safety/data/plants';
import { ASSISTANT_GROUPS } from '@/core/shelf/assistant';
import { CHEMISTRIES, CHEMISTRY_WORD, MORDANT_WORD } from '@/core/shelf/dyestuff';
import { post } from '../api/http';
import { newId } from '../api/newId';
import { useSave } from '../api/useSave';
import { Field, FormProblem } from '../shell/Field';

const PLANT = {
  kind: 'dyestuff' as const,
  name: '',
  part: '',
  chemistry: 'unknown' as (typeof CHEMISTRIES)[number],
  mordant: 'unsettled' as keyof typeof MORDANT_WORD,
  phSensitive: false,
  fugitive: 'no' as 'yes' | 'said' | 'no',
  maxC: 82.2 as number | null,
  ratioFresh: 10 as number | null,
  ratioDried: 1 as number | null,
  colour: '',
  expectedHex: '#b9ad8c',
};
const CHEMICAL = {
  kind: 'assistant' as const,
  name: '',
  group: 'other' as (typeof ASSISTANT_GROUPS)[number],
  unit: 'g' as 'g' | 'mL',
  usual: '',
  cautionAbovePct: null as number | null,
  inBrief: '',
};

/** A plant or chemical that the library does not have. */
export function SubstanceForm({ kind, onClose, onSaved }: { kind: 'dyestuff' | 'assistant'; onClose: () => void; onSaved: () => void }) {
  const [id] = useState(newId);
  const [plant, setPlant] = useState(PLANT);
  const [chemical, setChemical] = useState(CHEMICAL);
  const { errors, saving, save } = useSave(['what.name', 'what.maxC']);
  const keep = () =>
    save(
      () => post('/substances', { id, what: kind === 'dyestuff' ? plant : chemical }),
      () => {
        onSaved();
        onClose();
      },
    );
  const rows = kind === 'dyestuff' ? plantRowsFor(`${plant.name} ${plant.part}`) : [];
  return (
    <Modal
      open
      title={kind === 'dyestuff' ? 'Add a dyestuff' : 'Add an assistant'}
      okText="Keep"
      cancelText="Not now"
      okButtonProps={{ disabled: saving }}
      onOk={() => void keep()}
      onCancel={onClose}
    >
      {kind === 'dyestuff' ? (
        <>
          <div className="params">
            <Field label="Name" problem={errors['what.name']}>
              <Input value={plant.name} maxLength={120} onChange={(event) => setPlant({ ...plant, name: event.target.value })} />
            </Field>
            <Field label="Part">
              <Input value={plant.part} maxLength={80} placeholder="leaf, bark, root" onChange={(event) => setPlant({ ...plant, part: event.target.value })} />
            </Field>
            <Field label="Chemistry">
              <Select
                value={plant.chemistry}
                options={CHEMISTRIES.map((value) => ({ value, label: CHEMISTRY_WORD[value] }))}
                onChange={(chemistry) => setPlant({ ...plant, chemistry })}
              />
            </Field>
            <Field label="Mordant">
              <Select
                value={plant.mordant}
                options={(Object.keys(MORDANT_WORD) as (keyof typeof MORDANT_WORD)[]).map((value) => ({ value, label: MORDANT_WORD[value] }))}
                onChange={(mordant) => setPlant({ ...plant, mordant })}
              />
            </Field>
            <Field label="Never above" problem={errors['what.maxC']}>
              <InputNumber
                value={plant.maxC}
                suffix="°C"
                placeholder="no limit known"
                onChange={(maxC) => setPlant({ ...plant, maxC })}
                style={{ width: '100%' }}
              />
            </Field>
            <Field label="Fresh, to fibre">
              <InputNumber
                value={plant.ratioFresh}
                suffix=": 1"
                placeholder="no figure"
                onChange={(ratioFresh) => setPlant({ ...plant, ratioFresh })}
                style={{ width: '100%' }}
              />
            </Field>
            <Field label="Dried, to fibre">
              <InputNumber
                value={plant.ratioDried}
                suffix=": 1"
                placeholder="no figure"
                onChange={(ratioDried) => setPlant({ ...plant, ratioDried })}
                style={{ width: '100%' }}
              />
            </Field>
            <Field label="Colour hoped for">
              <Input value={plant.colour} maxLength={200} onChange={(event) => setPlant({ ...plant, colour: event.target.value })} />
            </Field>
          </div>
          <div className="share">
            <ColorPicker
              value={plant.expectedHex}
              disabledAlpha
              disabledFormat
              onChange={(colour) => setPlant({ ...plant, expectedHex: colour.toHexString().slice(0, 7) })}
              showText
            />
            <Checkbox checked={plant.phSensitive} onChange={(event) => setPlant({ ...plant, phSensitive: event.target.checked })}>
              moves with acid and alkali
            </Checkbox>
            <Checkbox checked={plant.fugitive !== 'no'} onChange={(event) => setPlant({ ...plant, fugitive: event.target.checked ? 'said' : 'no' })}>
              said to fade
            </Checkbox>
          </div>
          {rows.map((row) => (
            <p key={row.id} className={`finding finding-${row.severity}`}>
              <strong>{row.severity === 'stop' ? 'Stop' : row.severity === 'caution' ? 'Care' : 'Note'}</strong>: {row.trouble}. {row.say}
            </p>
          ))}
          <p className="quiet small">Identification is yours to make sure of: two independent sources, or leave it.</p>
        </>
      ) : (
        <div className="params">
          <Field label="Name" problem={errors['what.name']}>
            <Input value={chemical.name} maxLength={120} onChange={(event) => setChemical({ ...chemical, name: event.target.value })} />
          </Field>
          <Field label="Group">
            <Select
              value={chemical.group}
              options={ASSISTANT_GROUPS.map((value) => ({ value, label: value }))}
              onChange={(group) => setChemical({ ...chemical, group })}
            />
          </Field>
          <Field label="Measured in">
            <Select
              value={chemical.unit}
              options={['g', 'mL'].map((value) => ({ value, label: value }))}
              onChange={(unit: 'g' | 'mL') => setChemical({ ...chemical, unit })}
            />
          </Field>
          <Field label="Usual dose, in words">
            <Input value={chemical.usual} maxLength={160} onChange={(event) => setChemical({ ...chemical, usual: event.target.value })} />
          </Field>
          <Field label="Warn me above">
            <InputNumber
              value={chemical.cautionAbovePct}
              suffix="% WOF"
              placeholder="no limit"
              onChange={(cautionAbovePct) => setChemical({ ...chemical, cautionAbovePct })}
              style={{ width: '100%' }}
            />
          </Field>
          <Field label="To beware of">
            <Input value={chemical.inBrief} maxLength={200} onChange={(event) => setChemical({ ...chemical, inBrief: event.target.value })} />
          </Field>
        </div>
      )}
      <FormProblem text={errors['']} />
    </Modal>
  );
}
