import { expect, test } from 'vitest';
import { planned, step, wool } from '@/core/plan/plan.fixture';
import { ACTS, actByWord, actRow, actsAt, isAsk } from './acts';
import { parseAct } from './parseAct';

test('no two acts share a key, a word, or a name', () => {
  for (const of of [ACTS.flatMap((act) => act.key ?? []), ACTS.flatMap((act) => act.words), ACTS.map((act) => act.id), ACTS.flatMap((act) => act.more ?? [])])
    expect(new Set(of).size).toBe(of.length);
});

test('an act either asks first, or logs at once', () => {
  for (const act of ACTS) expect([act.id, isAsk(act.id)]).toEqual([act.id, act.log === null]);
});

test('what is logged at once is about the step it is for', () => {
  const { id } = step(planned([wool('a', 100)]), 'dye');
  for (const act of ACTS) for (const fact of act.log?.(id) ?? []) expect(fact).toMatchObject({ stepId: id });
});

test.each(ACTS.flatMap((act) => act.words.map((word) => [word, act.id] as const)))('a line that begins with “%s” is %s', (word, id) => {
  expect(actByWord(word.toUpperCase())).toBe(id);
  const tail =
    id === 'rolled' ? ' loosely' : word === 'lid' ? ' off' : id === 'heat' || id === 'ph' ? ' 4.5' : id === 'note' || id === 'checked' ? ' cloudy' : '';
  const line = parseAct(`1 ${word}${tail}`);
  expect(line?.what.act).toBe(id === 'ph' ? 'reading' : id);
});

test('an act that is not in the table is a fault of ours', () => expect(() => actRow('dance' as never)).toThrow('no act dance'));

test('a table has no bath to read: no temperature, pH or volume is asked of it', () => {
  const left = ACTS.filter((act) => !actsAt(false).includes(act)).map((act) => act.id);
  expect(left).toEqual(['reading', 'heat', 'ph', 'volume', 'rolled']);
  expect(ACTS.filter((act) => !actsAt(true).includes(act)).map((act) => act.id)).toEqual(['rolled']);
  expect(actsAt(true, true)).toEqual(ACTS);
});
