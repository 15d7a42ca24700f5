'use client';
import { later } from '../shell/later';
import { Open } from '../shell/Open';

const SimPotKnobs = later(() => import('./SimPotKnobs').then((module) => module.SimPotKnobs));

export interface SimPotProps {
  readonly vesselId: string;
  readonly litres: number;
  /** The stand-in tells the log how its knob and lid are set, as a plate with a plug of its own would. */
  readonly onHeat: (knob: number, hasLid: boolean) => void;
}

export const SimPot = (props: SimPotProps) => (
  <Open title="Simulated pot and probe">
    <SimPotKnobs {...props} />
  </Open>
);
