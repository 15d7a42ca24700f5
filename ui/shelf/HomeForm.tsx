'use client';
import { Checkbox, Input, InputNumber, Modal, Select } from 'antd';
import { useState } from 'react';
import { HEAT_KINDS, type Home } from '@/core/plan/plan';
import { put } from '../api/http';
import { newId } from '../api/newId';
import { useSave } from '../api/useSave';
import { Field, FormProblem } from '../shell/Field';

const WEEKDAYS = [
  [1, 'Mon'],
  [2, 'Tue'],
  [3, 'Wed'],
  [4, 'Thu'],
  [5, 'Fri'],
  [6, 'Sat'],
  [0, 'Sun'],
] as const;
const HEAT_WORD = { hotplate: 'hotplate', gas: 'gas hob', campBurner: 'camp burner', charcoal: 'charcoal', microwave: 'microwave', oven: 'oven' } as const;

/** Diary, heat, scales, probes and figures of the home. */
export function HomeForm({ home, onClose, onSaved }: { home: Home; onClose: () => void; onSaved: () => void }) {
  const [fields, setFields] = useState(home);
  const { errors, saving, save } = useSave(['diary.zone']);
  const set = (change: Partial<Home>) => setFields({ ...fields, ...change });
  const { diary } = fields;
  const keep = () =>
    save(
      () => put('/home', fields),
      () => {
        onSaved();
        onClose();
      },
    );
  const time = (value: string, change: (value: string) => void, label: string) => (
    <Input type="time" aria-label={label} value={value} onChange={(event) => change(event.target.value)} />
  );
  const setDiary = (change: Partial<Home['diary']>) => set({ diary: { ...diary, ...change } });
  return (
    <Modal
      open
      title="The home"
      okText="Keep"
      cancelText="Not now"
      width={680}
      okButtonProps={{ disabled: saving }}
      onOk={() => void keep()}
      onCancel={onClose}
    >
      <div className="params">
        <div className="field">
          <span>Awake from</span>
          {time(diary.wakeAt, (wakeAt) => setDiary({ wakeAt }), 'Awake from')}
        </div>
        <div className="field">
          <span>until</span>
          {time(diary.sleepAt, (sleepAt) => setDiary({ sleepAt }), 'Awake until')}
        </div>
        <Field label="Time zone" problem={errors['diary.zone']}>
          <Input value={diary.zone} onChange={(event) => setDiary({ zone: event.target.value })} />
        </Field>
        <Field label="Altitude">
          <InputNumber value={fields.altitudeM} suffix="m" onChange={(value) => set({ altitudeM: value ?? 0 })} style={{ width: '100%' }} />
        </Field>
        <Field label="One circuit gives">
          <InputNumber value={fields.circuitW} suffix="W" placeholder="unknown" onChange={(circuitW) => set({ circuitW })} style={{ width: '100%' }} />
        </Field>
        <Field label="Emergency number">
          <Input value={fields.emergencyNumber} maxLength={40} onChange={(event) => set({ emergencyNumber: event.target.value })} />
        </Field>
      </div>
      <Checkbox checked={fields.childrenOrPets} onChange={(event) => set({ childrenOrPets: event.target.checked })}>
        Children or pets at home
      </Checkbox>
      <fieldset className="field">
        <legend>Away</legend>
        {diary.away.map((away, i) => {
          const change = (part: Partial<typeof away>) => setDiary({ away: diary.away.with(i, { ...away, ...part }) });
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: entries have no name of their own
            <div key={i} className="share share-wrap">
              <Checkbox.Group
                value={[...away.weekdays]}
                options={WEEKDAYS.map(([value, label]) => ({ value, label }))}
                onChange={(weekdays) => change({ weekdays: weekdays as number[] })}
              />
              {time(away.from, (from) => change({ from }), 'Away from')}
              {time(away.to, (to) => change({ to }), 'Away until')}
              <button type="button" className="act act-small" onClick={() => setDiary({ away: diary.away.toSpliced(i, 1) })}>
                Remove
              </button>
            </div>
          );
        })}
        <button
          type="button"
          className="act act-small"
          onClick={() => setDiary({ away: [...diary.away, { weekdays: [1, 2, 3, 4, 5], from: '09:00', to: '17:00' }] })}
        >
          Add hours away
        </button>
      </fieldset>
      <fieldset className="field">
        <legend>Heat</legend>
        {fields.heatSources.map((source, i) => {
          const change = (part: Partial<typeof source>) => set({ heatSources: fields.heatSources.with(i, { ...source, ...part }) });
          return (
            <div key={source.id} className="share">
              <Input aria-label="Name" value={source.name} onChange={(event) => change({ name: event.target.value })} />
              <Select
                aria-label="Kind of heat"
                value={source.kind}
                options={HEAT_KINDS.map((value) => ({ value, label: HEAT_WORD[value] }))}
                onChange={(kind) => change({ kind })}
              />
              <InputNumber aria-label="Power" value={source.maxW} suffix="W" placeholder="unknown" onChange={(maxW) => change({ maxW })} />
              <Checkbox checked={source.outdoors} onChange={(event) => change({ outdoors: event.target.checked })}>
                outdoors
              </Checkbox>
            </div>
          );
        })}
        <button
          type="button"
          className="act act-small"
          onClick={() =>
            set({
              heatSources: [
                ...fields.heatSources,
                { id: newId(), name: `Hotplate ${fields.heatSources.length + 1}`, maxW: null, kind: 'hotplate', outdoors: false },
              ],
            })
          }
        >
          Add a heat source
        </button>
      </fieldset>
      <fieldset className="field">
        <legend>Scales</legend>
        {fields.scales.map((scale, i) => {
          const change = (part: Partial<typeof scale>) => set({ scales: fields.scales.with(i, { ...scale, ...part }) });
          return (
            <div key={scale.id} className="share">
              <Input aria-label="Name" value={scale.name} onChange={(event) => change({ name: event.target.value })} />
              <InputNumber aria-label="Reads to" value={scale.readsToG} prefix="reads to" suffix="g" onChange={(value) => change({ readsToG: value ?? 1 })} />
              <InputNumber aria-label="Carries" value={scale.mostG} prefix="up to" suffix="g" placeholder="any" onChange={(mostG) => change({ mostG })} />
              <button type="button" className="act act-small" onClick={() => set({ scales: fields.scales.toSpliced(i, 1) })}>
                Remove
              </button>
            </div>
          );
        })}
        <button
          type="button"
          className="act act-small"
          onClick={() => set({ scales: [...fields.scales, { id: newId(), name: 'Kitchen scale', readsToG: 1, mostG: 5000 }] })}
        >
          Add a scale
        </button>
      </fieldset>
      <fieldset className="field">
        <legend>Probes</legend>
        {fields.probes.map((probe, i) => (
          <div key={probe.id} className="share">
            <Input aria-label="Name" value={probe.name} onChange={(event) => set({ probes: fields.probes.with(i, { ...probe, name: event.target.value }) })} />
            <span className="quiet small">posts to /api/v1/probes/{probe.id}/readings</span>
          </div>
        ))}
        <button
          type="button"
          className="act act-small"
          onClick={() => set({ probes: [...fields.probes, { id: newId(), name: `Probe ${fields.probes.length + 1}` }] })}
        >
          Add a probe
        </button>
      </fieldset>
      <FormProblem text={errors['']} />
    </Modal>
  );
}
