import type { TrialFactor, TrialLevel } from './trial';

const hand = (name: string): TrialLevel => ({ name, how: { kind: 'hand' } });
export const byHand = (name: string, ...levels: string[]): TrialFactor => ({ id: name, name, levels: levels.map(hand) });

export const MORDANTS: TrialFactor = {
  id: 'mordant',
  name: 'Mordant',
  levels: [
    { name: 'none', how: { kind: 'step', stage: 'mordant', methodId: 'no-mordant', params: {} } },
    { name: 'alum 10 %', how: { kind: 'step', stage: 'mordant', methodId: 'alum-10', params: { alumPct: 10 } } },
    { name: 'alum 16 %', how: { kind: 'step', stage: 'mordant', methodId: 'alum-16', params: { alumPct: 16 } } },
  ],
};
export const STRENGTHS: TrialFactor = {
  id: 'strength',
  name: 'Plant to fibre',
  levels: [0.5, 1, 2].map((value) => ({ name: `${value} : 1`, how: { kind: 'figure', stage: 'extract', param: 'ratio', value } })),
};
export const IRON: TrialFactor = {
  id: 'iron',
  name: 'Iron',
  levels: [
    { name: 'none', how: { kind: 'step', stage: 'iron', methodId: null, params: {} } },
    { name: 'iron dip', how: { kind: 'step', stage: 'iron', methodId: 'iron-dip', params: {} } },
  ],
};
