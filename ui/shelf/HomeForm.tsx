'use client';
import { Checkbox, Input, InputNumber, Modal } from 'antd';
import { useState } from 'react';
import type { Home } from '@/core/plan/plan';
import { errorText, put } from '../api/http';

const WEEKDAYS = [
  [1, 'Mon'],
  [2, 'Tue'],
  [3, 'Wed'],
  [4, 'Thu'],
  [5, 'Fri'],
  [6, 'Sat'],
  [0, 'Sun'],
] as const;

/** Diary and figures of the home. */
export function HomeForm({ home, onClose, onSaved }: { home: Home; onClose: () => void; onSaved: () => void }) {
  const [diary, setDiary] = useState(home.diary);
  const [scaleG, setScaleG] = useState(home.scaleG);
  const [altitudeM, setAltitudeM] = useState(home.altitudeM);
  const [emergencyNumber, setEmergencyNumber] = useState(home.emergencyNumber);
  const [heatSources, setHeatSources] = useState(home.heatSources);
  const [problem, setProblem] = useState<string | null>(null);
  const save = async () => {
    try {
      await put('/home', { diary, scaleG, altitudeM, emergencyNumber, heatSources, revision: home.revision });
      onSaved();
      onClose();
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  const time = (value: string, set: (value: string) => void, label: string) => (
    <Input type="time" aria-label={label} value={value} onChange={(event) => set(event.target.value)} />
  );
  return (
    <Modal open title="The home" okText="Keep" cancelText="Not now" width={640} onOk={() => void save()} onCancel={onClose}>
      <div className="params">
        <div className="field">
          <span>Awake from</span>
          {time(diary.wakeAt, (wakeAt) => setDiary({ ...diary, wakeAt }), 'Awake from')}
        </div>
        <div className="field">
          <span>until</span>
          {time(diary.sleepAt, (sleepAt) => setDiary({ ...diary, sleepAt }), 'Awake until')}
        </div>
        <label className="field">
          <span>Time zone</span>
          <Input value={diary.zone} onChange={(event) => setDiary({ ...diary, zone: event.target.value })} />
        </label>
        <label className="field">
          <span>Scale reads to</span>
          <InputNumber value={scaleG} suffix="g" placeholder="unknown" onChange={setScaleG} style={{ width: '100%' }} />
        </label>
        <label className="field">
          <span>Altitude</span>
          <InputNumber value={altitudeM} suffix="m" onChange={(value) => setAltitudeM(value ?? 0)} style={{ width: '100%' }} />
        </label>
        <label className="field">
          <span>Emergency number</span>
          <Input value={emergencyNumber} maxLength={40} onChange={(event) => setEmergencyNumber(event.target.value)} />
        </label>
      </div>
      <fieldset className="field">
        <legend>Away</legend>
        {diary.away.map((away, i) => {
          const set = (change: Partial<typeof away>) => setDiary({ ...diary, away: diary.away.with(i, { ...away, ...change }) });
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: entries have no name of their own
            <div key={i} className="share share-wrap">
              <Checkbox.Group
                value={[...away.weekdays]}
                options={WEEKDAYS.map(([value, label]) => ({ value, label }))}
                onChange={(weekdays) => set({ weekdays: weekdays as number[] })}
              />
              {time(away.from, (from) => set({ from }), 'Away from')}
              {time(away.to, (to) => set({ to }), 'Away until')}
              <button type="button" className="act act-small" onClick={() => setDiary({ ...diary, away: diary.away.toSpliced(i, 1) })}>
                Remove
              </button>
            </div>
          );
        })}
        <button
          type="button"
          className="act act-small"
          onClick={() => setDiary({ ...diary, away: [...diary.away, { weekdays: [1, 2, 3, 4, 5], from: '09:00', to: '17:00' }] })}
        >
          Add hours away
        </button>
      </fieldset>
      <fieldset className="field">
        <legend>Heat</legend>
        {heatSources.map((source, i) => (
          <div key={source.id} className="share">
            <Input aria-label="Name" value={source.name} onChange={(event) => setHeatSources(heatSources.with(i, { ...source, name: event.target.value }))} />
            <InputNumber
              aria-label="Power"
              value={source.maxW}
              suffix="W"
              placeholder="unknown"
              onChange={(maxW) => setHeatSources(heatSources.with(i, { ...source, maxW }))}
            />
          </div>
        ))}
        <button
          type="button"
          className="act act-small"
          onClick={() => setHeatSources([...heatSources, { id: `heat${Date.now()}`, name: `Hotplate ${heatSources.length + 1}`, maxW: null }])}
        >
          Add a heat source
        </button>
      </fieldset>
      {problem ? (
        <p className="field-error" role="alert">
          {problem}
        </p>
      ) : null}
    </Modal>
  );
}
