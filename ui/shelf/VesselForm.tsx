'use client';
import { Checkbox, Input, InputNumber, Modal, Select } from 'antd';
import { useState } from 'react';
import type { Home, Vessel } from '@/core/plan/plan';
import { errorText, post, put } from '../api/http';
import { newId } from '../api/newId';

interface Props {
  readonly vessel: Vessel | null;
  readonly home: Home;
  readonly place: number;
  readonly onClose: () => void;
  readonly onSaved: () => void;
}

const KINDS = ['pot', 'pail', 'jar', 'line'] as const;
const MATERIALS = ['stainless', 'enamel', 'aluminium', 'plastic', 'glass', 'wood'] as const;

export function VesselForm({ vessel, home, place, onClose, onSaved }: Props) {
  const [id] = useState(() => vessel?.id ?? newId());
  const [fields, setFields] = useState(() => ({
    name: vessel?.name ?? '',
    kind: vessel?.kind ?? ('pot' as const),
    litres: vessel ? vessel.litres : 8,
    material: vessel?.material ?? ('stainless' as const),
    heatSourceId: vessel?.heatSourceId ?? null,
    probeId: vessel?.probeId ?? null,
    dyeOnly: vessel?.dyeOnly ?? true,
    order: vessel?.order ?? place,
  }));
  const [problem, setProblem] = useState<string | null>(null);
  const set = (change: Partial<typeof fields>) => setFields({ ...fields, ...change });
  const save = async () => {
    try {
      if (vessel) await put(`/vessels/${id}`, { ...fields, revision: vessel.revision });
      else await post('/vessels', { id, ...fields });
      onSaved();
      onClose();
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  return (
    <Modal open title={vessel ? vessel.name : 'Add a vessel'} okText="Keep" cancelText="Not now" onOk={() => void save()} onCancel={onClose}>
      <label className="field">
        <span>Name</span>
        <Input value={fields.name} maxLength={120} onChange={(event) => set({ name: event.target.value })} />
      </label>
      <div className="params">
        <label className="field">
          <span>Kind</span>
          <Select
            value={fields.kind}
            onChange={(kind) => set({ kind, litres: kind === 'line' ? null : (fields.litres ?? 8) })}
            options={KINDS.map((value) => ({ value, label: value }))}
          />
        </label>
        <label className="field">
          <span>To the brim</span>
          <InputNumber
            value={fields.litres}
            disabled={fields.kind === 'line'}
            suffix="L"
            placeholder="unknown"
            onChange={(litres) => set({ litres })}
            style={{ width: '100%' }}
          />
        </label>
        <label className="field">
          <span>Material</span>
          <Select value={fields.material} onChange={(material) => set({ material })} options={MATERIALS.map((value) => ({ value, label: value }))} />
        </label>
        <label className="field">
          <span>Stands on</span>
          <Select
            value={fields.heatSourceId ?? ''}
            onChange={(value) => set({ heatSourceId: value || null })}
            options={[{ value: '', label: 'no heat' }, ...home.heatSources.map((source) => ({ value: source.id, label: source.name }))]}
          />
        </label>
        <label className="field">
          <span>Probe</span>
          <Input value={fields.probeId ?? ''} placeholder="none" maxLength={64} onChange={(event) => set({ probeId: event.target.value.trim() || null })} />
        </label>
        <label className="field">
          <span>Place from the left</span>
          <InputNumber value={fields.order} min={0} onChange={(order) => set({ order: order ?? 0 })} style={{ width: '100%' }} />
        </label>
      </div>
      <Checkbox checked={fields.dyeOnly} onChange={(event) => set({ dyeOnly: event.target.checked })}>
        For dyeing only, never for food again
      </Checkbox>
      {problem ? (
        <p className="field-error" role="alert">
          {problem}
        </p>
      ) : null}
    </Modal>
  );
}
