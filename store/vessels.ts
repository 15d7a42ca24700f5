import type { SimPot } from '@/core/heat/simPot';
import type { Vessel } from '@/core/kitchen/vessel';
import type { Db } from './db';
import { rowTable } from './rowTable';

export interface VesselRow extends Vessel {
  readonly retired: boolean;
}

export const vesselTable = rowTable<VesselRow>({
  name: 'vessel',
  key: { id: (row) => row.id },
  columns: { place: (row) => row.order, revision: (row) => row.revision, retired: (row) => row.retired },
});

export async function listVessels(db: Db): Promise<VesselRow[]> {
  const { rows } = await db.query<{ body: VesselRow }>('select body from vessel where not retired order by place, id');
  return rows.map((row) => row.body);
}

export async function loadVessel(db: Db, id: string): Promise<VesselRow | null> {
  const { rows } = await db.query<{ body: VesselRow }>('select body from vessel where id = $1', [id]);
  return rows[0]?.body ?? null;
}

/** Whether a vessel of the kitchen, put away or not, has this probe. */
export async function knowsProbe(db: Db, probeId: string): Promise<boolean> {
  return (await db.query("select 1 from vessel where body ->> 'probeId' = $1 limit 1", [probeId])).rows.length > 0;
}

/** Settings of a simulated pot as a person left them; its temperature is computed from them, never stored as it goes. */
export const simPotTable = rowTable<SimPot>({ name: 'sim_pot', key: { vessel_id: (row) => row.vesselId } });

export async function loadSimPot(db: Db, vesselId: string): Promise<SimPot | null> {
  const { rows } = await db.query<{ body: SimPot }>('select body from sim_pot where vessel_id = $1', [vesselId]);
  return rows[0]?.body ?? null;
}
