'use client';
import { Checkbox, Input, InputNumber, Modal, Select } from 'antd';
import { useState } from 'react';
import { type Home, holdsMany, MATERIAL_SAYS, MATERIALS, VESSEL_KINDS, type Vessel } from '@/core/plan/plan';
import { post, put } from '../api/http';
import { newId } from '../api/newId';
import { useSave } from '../api/useSave';
import { Field, FormProblem } from '../shell/Field';

interface Props {
  readonly vessel: Vessel | null;
  readonly home: Home;
  readonly place: number;
  readonly onClose: () => void;
  readonly onSaved: () => void;
}

export function VesselForm({ vessel, home, place, onClose, onSaved }: Props) {
  const [id] = useState(() => vessel?.id ?? newId());
  const [fields, setFields] = useState(() => ({
    name: vessel?.name ?? '',
    kind: vessel?.kind ?? ('pot' as const),
    litres: vessel ? vessel.litres : 8,
    material: vessel?.material ?? ('stainless' as const),
    heatProof: vessel?.heatProof ?? false,
    heatSourceId: vessel?.heatSourceId ?? null,
    probeId: vessel?.probeId ?? null,
    dyeOnly: vessel?.dyeOnly ?? true,
    order: vessel?.order ?? place,
  }));
  const { errors, saving, save } = useSave(['name', 'litres', 'heatSourceId']);
  const set = (change: Partial<typeof fields>) => setFields({ ...fields, ...change });
  const done = () => {
    onSaved();
    onClose();
  };
  const keep = () => save(() => (vessel ? put(`/vessels/${id}`, { ...fields, revision: vessel.revision }) : post('/vessels', { id, ...fields })), done);
  const putAway = () => vessel && save(() => post(`/vessels/${id}/retire`, { revision: vessel.revision, retired: true }), done);
  return (
    <Modal
      open
      title={vessel ? vessel.name : 'Add a vessel'}
      okText="Keep"
      cancelText="Not now"
      okButtonProps={{ disabled: saving }}
      onOk={() => void keep()}
      onCancel={onClose}
    >
      <Field label="Name" problem={errors.name}>
        <Input value={fields.name} maxLength={120} onChange={(event) => set({ name: event.target.value })} />
      </Field>
      <div className="params">
        <Field label="Kind">
          <Select
            value={fields.kind}
            onChange={(kind) => set({ kind, litres: holdsMany({ kind }) ? null : (fields.litres ?? 8) })}
            options={VESSEL_KINDS.map((value) => ({ value, label: value }))}
          />
        </Field>
        <Field label="To the brim" problem={errors.litres}>
          <InputNumber
            value={fields.litres}
            disabled={holdsMany(fields)}
            suffix="L"
            placeholder="unknown"
            onChange={(litres) => set({ litres })}
            style={{ width: '100%' }}
          />
        </Field>
        <Field label="Material" hint={MATERIAL_SAYS[fields.material]}>
          <Select value={fields.material} onChange={(material) => set({ material })} options={MATERIALS.map((value) => ({ value, label: value }))} />
        </Field>
        <Field label="Stands on" problem={errors.heatSourceId}>
          <Select
            value={fields.heatSourceId ?? ''}
            onChange={(value) => set({ heatSourceId: value || null })}
            options={[{ value: '', label: 'no heat' }, ...home.heatSources.map((source) => ({ value: source.id, label: source.name }))]}
          />
        </Field>
        <Field label="Probe">
          <Select
            value={fields.probeId ?? ''}
            onChange={(value) => set({ probeId: value || null })}
            options={[
              { value: '', label: 'none' },
              ...home.probes.map((probe) => ({ value: probe.id, label: probe.name })),
              ...(fields.probeId && !home.probes.some((probe) => probe.id === fields.probeId) ? [{ value: fields.probeId, label: fields.probeId }] : []),
            ]}
          />
        </Field>
        <Field label="Place from the left">
          <InputNumber value={fields.order} min={0} onChange={(order) => set({ order: order ?? 0 })} style={{ width: '100%' }} />
        </Field>
      </div>
      <Checkbox checked={fields.dyeOnly} onChange={(event) => set({ dyeOnly: event.target.checked })}>
        For dyeing only, never for food again
      </Checkbox>
      {fields.material === 'glass' ? (
        <Checkbox checked={fields.heatProof} onChange={(event) => set({ heatProof: event.target.checked })}>
          Marked heat-proof
        </Checkbox>
      ) : null}
      {vessel ? (
        <p>
          <button type="button" className="act act-small" onClick={() => void putAway()}>
            Put it away
          </button>{' '}
          <span className="quiet small">It is no longer offered; records that used it stay whole.</span>
        </p>
      ) : null}
      <FormProblem text={errors['']} />
    </Modal>
  );
}
