'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Home, Vessel } from '@/core/plan/plan';
import { useLoaded } from '../api/useLoaded';
import { FailedPage, LoadingPage } from '../shell/PageState';

const VesselForm = dynamic(() => import('./VesselForm').then((module) => module.VesselForm));
const HomeForm = dynamic(() => import('./HomeForm').then((module) => module.HomeForm));
const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];

/** Vessels, heat and the diary: what plans are made with. */
export function ShelfPage() {
  const vessels = useLoaded<Vessel[]>('/vessels', (message) => message.kind === 'changed' && message.what === 'vessel');
  const home = useLoaded<Home>('/home', (message) => message.kind === 'changed' && message.what === 'home');
  const [editing, setEditing] = useState<Vessel | 'new' | null>(null);
  const [editingHome, setEditingHome] = useState(false);
  if (vessels.state === 'failed') return <FailedPage why={vessels.why} retry={vessels.retry} />;
  if (home.state === 'failed') return <FailedPage why={home.why} retry={home.retry} />;
  if (vessels.state === 'loading' || home.state === 'loading') return <LoadingPage what="the shelf" />;
  const { diary, heatSources, scaleG, altitudeM, emergencyNumber } = home.value;
  return (
    <div className="page">
      <header className="page-head">
        <h1>Shelf</h1>
        <button type="button" className="act" onClick={() => setEditingHome(true)}>
          Change the home
        </button>
        <button type="button" className="act act-strong" onClick={() => setEditing('new')}>
          Add a vessel
        </button>
      </header>
      <h2>Vessels, as they stand</h2>
      {vessels.value.length === 0 ? (
        <p className="page-state">No vessel yet. Add your pots, pails and the drying line; plans choose among them and check that everything fits.</p>
      ) : null}
      <ul className="rows">
        {vessels.value.map((vessel) => (
          <li key={vessel.id} className="row">
            <div className="row-main">
              <button type="button" className="row-link" onClick={() => setEditing(vessel)}>
                {vessel.name}
              </button>
              <span className="quiet">
                {vessel.kind}, {vessel.material}
                {vessel.dyeOnly ? ', dye only' : ', shared with food'}
              </span>
            </div>
            <span className="quiet cell">{heatSources.find((source) => source.id === vessel.heatSourceId)?.name ?? 'no heat'}</span>
            <span className="quiet cell">{vessel.probeId ? vessel.probeId : 'no probe'}</span>
            <span className="figure row-figure">{vessel.litres === null ? '–' : `${vessel.litres} L`}</span>
          </li>
        ))}
      </ul>
      <h2>Home</h2>
      <section className="panel">
        <dl className="questions">
          <div>
            <dt>awake</dt>
            <dd>
              {diary.wakeAt}–{diary.sleepAt}
            </dd>
          </div>
          <div>
            <dt>away</dt>
            <dd>
              {diary.away.length === 0
                ? 'never'
                : diary.away.map((away) => `${away.weekdays.map((day) => WEEKDAYS[day]).join(', ')} ${away.from}–${away.to}`).join('; ')}
            </dd>
          </div>
          <div>
            <dt>time zone</dt>
            <dd>{diary.zone}</dd>
          </div>
          <div>
            <dt>heat</dt>
            <dd>{heatSources.map((source) => `${source.name} (${source.maxW === null ? 'power unknown' : `${source.maxW} W`})`).join(', ')}</dd>
          </div>
          <div>
            <dt>scale reads to</dt>
            <dd>{scaleG === null ? 'unknown' : `${scaleG} g`}</dd>
          </div>
          <div>
            <dt>altitude</dt>
            <dd>{altitudeM} m</dd>
          </div>
          <div>
            <dt>emergency number</dt>
            <dd>{emergencyNumber || 'not set'}</dd>
          </div>
        </dl>
        <p className="quiet">Attended heat is planned only while somebody is home and awake. Rests with the heat off may pass the night.</p>
      </section>
      {editing ? (
        <VesselForm
          vessel={editing === 'new' ? null : editing}
          home={home.value}
          place={vessels.value.length + 1}
          onClose={() => setEditing(null)}
          onSaved={vessels.reload}
        />
      ) : null}
      {editingHome ? <HomeForm home={home.value} onClose={() => setEditingHome(false)} onSaved={home.reload} /> : null}
    </div>
  );
}
