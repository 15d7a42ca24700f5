'use client';
import dynamic from 'next/dynamic';
import { Open } from '../shell/Open';

const SimPotKnobs = dynamic(() => import('./SimPotKnobs').then((module) => module.SimPotKnobs), { ssr: false });

export const SimPot = (props: { vesselId: string; litres: number }) => (
  <Open title="Simulated pot and probe">
    <SimPotKnobs {...props} />
  </Open>
);
