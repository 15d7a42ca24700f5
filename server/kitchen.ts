import type { HomeInput, SimPotInput, VesselInput } from '@/contract/schemas';
import type { SimPotView } from '@/contract/views';
import { boilingC } from '@/core/heat/boiling';
import type { SimPot } from '@/core/heat/simPot';
import { simPotC, turnKnobs } from '@/core/heat/simPot';
import { type Home, wattUnder } from '@/core/kitchen/home';
import { calibrationFault } from '@/core/probe/calibrate';
import { loadHome } from '@/store/home';
import { loadSimPot, loadVessel, simPotTable, type VesselRow } from '@/store/vessels';
import type { App } from './app';
import { commitNew } from './commitNew';
import { conflict, invalid, notFound } from './problem';

/** Where nobody has said anything yet: awake by day, home always, two hotplates of unknown power. */
export const firstHome = (zone: string): Home => ({
  diary: { zone, wakeAt: '07:00', sleepAt: '22:30', away: [] },
  altitudeM: 0,
  scales: [],
  probes: [],
  circuitW: null,
  childrenOrPets: false,
  emergencyNumber: '',
  revision: 1,
  heatSources: [
    { id: 'heat1', name: 'Hotplate 1', maxW: null, kind: 'hotplate', outdoors: false },
    { id: 'heat2', name: 'Hotplate 2', maxW: null, kind: 'hotplate', outdoors: false },
  ],
});

export async function homeOf({ store }: App): Promise<Home> {
  return (await loadHome(store.db)) ?? firstHome(Intl.DateTimeFormat().resolvedOptions().timeZone);
}

/** The probes as sent; what was left out of their correction is as it was. @throws when one would be far off */
function probesOf({ probes, altitudeM }: HomeInput, had: Home): Home['probes'] {
  return probes.map((probe, i) => {
    const { iceReadsC, boilReadsC } = had.probes.find(({ id }) => id === probe.id) ?? {};
    const kept = {
      ...probe,
      iceReadsC: probe.iceReadsC === undefined ? iceReadsC : probe.iceReadsC,
      boilReadsC: probe.boilReadsC === undefined ? boilReadsC : probe.boilReadsC,
    };
    const fault = calibrationFault(kept, boilingC(altitudeM));
    if (fault) throw invalid('A probe is far off.', [{ at: `probes.${i}`, message: fault }]);
    return kept;
  });
}

export function editHome(app: App, input: HomeInput & { revision: number }): Promise<Home> {
  return app.store.exclusive(async () => {
    const had = await homeOf(app);
    if (had.revision !== input.revision) throw conflict('The kitchen was changed somewhere else meanwhile. Load it again; nothing was overwritten.');
    // A script that knows nothing of measures or water leaves them as they are.
    const row: Home = {
      ...input,
      probes: probesOf(input, had),
      measures: input.measures ?? had.measures,
      water: input.water ?? had.water,
      attendMin: input.attendMin === undefined ? had.attendMin : input.attendMin,
      lookAt: input.lookAt === undefined ? had.lookAt : input.lookAt,
      revision: had.revision + 1,
    };
    await app.store.commit([{ table: 'home', row }]);
    app.live.publish({ kind: 'changed', what: 'home', id: 'home' });
    return row;
  });
}

export function putVessel(app: App, id: string, input: VesselInput, revision: number | null): Promise<VesselRow> {
  const { store, live } = app;
  return store.exclusive(async () => {
    const had = await loadVessel(store.db, id);
    if (revision === null && had && had.name !== input.name) throw conflict(`The id ${id} already belongs to ${had.name}.`);
    if (revision !== null && !had) throw notFound('vessel', id);
    if (revision !== null && had && had.revision !== revision)
      throw conflict(`${had.name} was changed somewhere else meanwhile. Load it again; nothing was overwritten.`);
    if (revision === null && had) return had;
    const home = await homeOf(app);
    if (input.heatSourceId !== null && !home.heatSources.some((source) => source.id === input.heatSourceId)) {
      throw invalid('This heat source is not in the kitchen.', [{ at: 'heatSourceId', message: 'Choose a heat source of this kitchen.' }]);
    }
    const row: VesselRow = { ...input, id, revision: (had?.revision ?? 0) + 1, retired: false };
    await (had ? store.commit([{ table: 'vessel', row }]) : commitNew(app, [{ table: 'vessel', row }]));
    live.publish({ kind: 'changed', what: 'vessel', id });
    return row;
  });
}

/** Nothing is deleted: a vessel that is put away is no longer offered, and the records that name it stay whole. */
export function retireVessel(app: App, id: string, input: { revision: number; retired: boolean }): Promise<VesselRow> {
  const { store, live } = app;
  return store.exclusive(async () => {
    const had = await loadVessel(store.db, id);
    if (!had) throw notFound('vessel', id);
    if (had.revision !== input.revision) throw conflict(`${had.name} was changed somewhere else meanwhile. Load it again; nothing was overwritten.`);
    const row: VesselRow = { ...had, revision: had.revision + 1, retired: input.retired };
    await store.commit([{ table: 'vessel', row }]);
    live.publish({ kind: 'changed', what: 'vessel', id });
    return row;
  });
}

const view = (pot: SimPot, atMs: number): SimPotView => ({ ...pot, trueC: Math.round(simPotC(pot, atMs) * 10) / 10 });

export async function simPots({ store, nowMs }: App): Promise<SimPotView[]> {
  return (await simPotTable.all(store.db)).map((pot) => view(pot, nowMs()));
}

/** Sets the knobs of the stand-in for a pot and its probe; makes the stand-in, at `startC`, when the vessel has none yet. */
export function setSimPot(app: App, vesselId: string, input: SimPotInput, startC = 15): Promise<SimPotView> {
  const { store, live, nowMs } = app;
  return store.exclusive(async () => {
    const vessel = await loadVessel(store.db, vesselId);
    if (!vessel) throw notFound('vessel', vesselId);
    if (vessel.probeId === null || vessel.litres === null) {
      throw invalid(`${vessel.name} has no probe. Give it one on the shelf first.`, [{ at: 'vesselId', message: 'No probe in this vessel.' }]);
    }
    const home = await homeOf(app);
    const atMs = nowMs();
    const had = await loadSimPot(store.db, vesselId);
    const maxW = wattUnder(home, vessel) ?? 1800;
    const row: SimPot = had
      ? { ...turnKnobs(had, atMs, input), probeId: vessel.probeId, maxW, vesselLitres: vessel.litres }
      : {
          vesselId,
          probeId: vessel.probeId,
          maxW,
          vesselLitres: vessel.litres,
          roomC: 20,
          boilC: boilingC(home.altitudeM),
          asOfMs: atMs,
          asOfC: startC,
          ...input,
        };
    await store.commit([{ table: 'sim_pot', row }]);
    live.publish({ kind: 'changed', what: 'simPot', id: vesselId });
    return view(row, atMs);
  });
}
