import type { SimPot } from '@/core/heat/simPot';
import type { Vessel } from '@/core/kitchen/vessel';
import { type Db, type Table, wholeRows } from './db';

export interface VesselRow extends Vessel {
  readonly retired: boolean;
}

export const vesselTable: Table<VesselRow, VesselRow> = {
  name: 'vessel',
  ...wholeRows((row) => row.id),
  put: async (db, row) => {
    await db.query(
      `insert into vessel (id, place, revision, retired, body)
       values ($1, $2, $3, $4, $5)
       on conflict (id) do update
       set place = excluded.place, revision = excluded.revision, retired = excluded.retired, body = excluded.body`,
      [row.id, row.order, row.revision, row.retired, JSON.stringify(row)],
    );
  },
  all: async (db) => (await db.query<{ body: VesselRow }>('select body from vessel order by id')).rows.map((row) => row.body),
};

export async function listVessels(db: Db): Promise<VesselRow[]> {
  const { rows } = await db.query<{ body: VesselRow }>('select body from vessel where not retired order by place, id');
  return rows.map((row) => row.body);
}

export async function loadVessel(db: Db, id: string): Promise<VesselRow | null> {
  const { rows } = await db.query<{ body: VesselRow }>('select body from vessel where id = $1', [id]);
  return rows[0]?.body ?? null;
}

/** Settings of a simulated pot as a person left them; its temperature is computed from them, never stored as it goes. */
export const simPotTable: Table<SimPot, SimPot> = {
  name: 'sim_pot',
  ...wholeRows((row) => row.vesselId),
  put: async (db, row) => {
    await db.query(
      `insert into sim_pot (vessel_id, body)
       values ($1, $2)
       on conflict (vessel_id) do update set body = excluded.body`,
      [row.vesselId, JSON.stringify(row)],
    );
  },
  all: async (db) => (await db.query<{ body: SimPot }>('select body from sim_pot order by vessel_id')).rows.map((row) => row.body),
};

export async function loadSimPot(db: Db, vesselId: string): Promise<SimPot | null> {
  const { rows } = await db.query<{ body: SimPot }>('select body from sim_pot where vessel_id = $1', [vesselId]);
  return rows[0]?.body ?? null;
}
