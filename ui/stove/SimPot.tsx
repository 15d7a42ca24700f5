'use client';
import { later } from '../shell/later';
import { Open } from '../shell/Open';

const SimPotKnobs = later(() => import('./SimPotKnobs').then((module) => module.SimPotKnobs));

export const SimPot = (props: { vesselId: string; litres: number }) => (
  <Open title="Simulated pot and probe">
    <SimPotKnobs {...props} />
  </Open>
);
