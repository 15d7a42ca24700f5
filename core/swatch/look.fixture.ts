import type { Look } from './look';

/** A look at one dry lot by daylight, at which nothing was said yet. */
export const look = (id: string, atMs: number, more: Partial<Look> = {}): Look => ({
  id,
  lotIds: ['lot'],
  part: null,
  liquorId: null,
  at: null,
  step: null,
  state: 'dry',
  light: 'daylight',
  pictures: [],
  colour: null,
  verdict: {},
  note: '',
  atMs,
  recordedAtMs: atMs,
  revision: 1,
  changes: [],
  ...more,
});
