import { expect, test } from 'vitest';
import type { RunEvent } from './events';
import { notesOf } from './notesOf';

const at = (id: string, atMs: number, fact: object): RunEvent => ({ id, atMs, recordedAtMs: atMs, ...fact }) as RunEvent;

test('notes and looks in words, in order of time; what was taken back, and looks without words, are none', () => {
  const events = [
    at('c', 30, { type: 'note', stepId: null, text: 'rain began' }),
    at('a', 10, { type: 'note', stepId: 'dye', text: 'smells of tea' }),
    at('b', 20, { type: 'checked', stepId: 'dye', finding: 'pale' }),
    at('d', 25, { type: 'checked', stepId: 'dye', finding: '' }),
    at('e', 27, { type: 'note', stepId: 'dye', text: 'a slip' }),
    at('f', 28, { type: 'amended', targetId: 'e', change: { kind: 'withdrawn', reason: 'taken back' } }),
    at('g', 29, { type: 'amended', targetId: 'a', change: { kind: 'retimed', atMs: 22 } }),
  ];
  expect(notesOf([{ id: 'dye', title: 'Dyebath' }], events).map(({ title, text }) => `${title}: ${text}`)).toEqual([
    'Dyebath: pale',
    'Dyebath: smells of tea',
    'null: rain began',
  ]);
});
