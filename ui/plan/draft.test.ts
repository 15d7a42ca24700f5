import { describe, expect, test } from 'vitest';
import { LIBRARY } from '@/core/method/library';
import { planned, step, wool } from '@/core/plan/plan.fixture';
import { blankDraft, itemOfProblem, movedItem, withEntry, withItem, withoutItem } from './draft';
import { phaseText, whyText, workingLines } from './workingText';

const { find } = LIBRARY;
const draft = blankDraft(Date.UTC(2026, 5, 6, 9, 20), find);
const method = (id: string) => {
  const found = find(id);
  if (!found) throw new Error(id);
  return found;
};

describe('the draft of a session', () => {
  test('begins at the next full hour, with the usual chain in working order', () => {
    expect(new Date(draft.startMs).toISOString()).toBe('2026-06-06T10:00:00.000Z');
    expect(draft.chain.map((item) => item.methodId)).toEqual([
      'scour-protein',
      'alum-10',
      'extract-fresh',
      'strain',
      'dyebath',
      'rest-overnight',
      'rinse',
      'dry',
    ]);
  });
  test('a method added goes to its place in the working order, with an id of its own', () => {
    const more = withItem(draft, method('iron-dip'), find);
    const ids = more.chain.map((item) => item.methodId);
    expect(ids.indexOf('iron-dip')).toBe(ids.indexOf('rinse') - 1);
    expect(new Set(more.chain.map((item) => item.id)).size).toBe(more.chain.length);
  });
  test('items move and leave, but not past the ends', () => {
    expect(movedItem(draft, 'c1', -1)).toBe(draft);
    expect(movedItem(draft, 'c1', 1).chain[1]?.id).toBe('c1');
    expect(withoutItem(draft, 'c3').chain.some((item) => item.id === 'c3')).toBe(false);
  });
  test('an overrule is set and cleared', () => {
    const set = withEntry(draft, 'overrules', 'c2-mordant/alum', 18);
    expect(set.overrules).toEqual({ 'c2-mordant/alum': 18 });
    expect(withEntry(set, 'overrules', 'c2-mordant/alum', null).overrules).toEqual({});
  });
  test.each([
    ['chain.1.params.alumPct', 'c2'],
    ['draft.chain.0.methodId', 'c1'],
    ['chain.c5', 'c5'],
    ['steps.c3-extract', 'c3'],
    ['lotIds', null],
  ])('a problem at %s belongs to %s', (at, id) => expect(itemOfProblem(at, draft)).toBe(id));
});

describe('a plan opened', () => {
  const plan = planned([wool('a', 150)]);
  test('a working has its formula, its inputs and its source', () =>
    expect(workingLines(step(plan, 'mordant').additions[0] as never)).toEqual([
      'dry weight × percent ÷ 100 = 15 g',
      'dry weight of the fibre: 150 g',
      'percent of the fibre’s weight: 10 % WOF',
      'Source: arithmetic',
    ]));
  test('an unknown says what must be known', () => {
    const unknown = planned([wool('a', null)]);
    expect(workingLines(step(unknown, 'mordant').additions[0] as never)[0]).toContain('unknown until you know: dry weight of the fibre');
  });
  test('why a step is not earlier is a sentence', () => {
    expect(whyText(step(plan, 'mordant').whyNotEarlier, plan)).toBe('It follows “Scour”.');
    expect(whyText({ why: 'nobodyHome', fromMs: Date.UTC(2026, 5, 6, 20, 30), toMs: Date.UTC(2026, 5, 7, 5) }, plan)).toBe(
      'Nobody is home and awake from Sat 22:30 to Sun 07:00.',
    );
  });
  test('every phase reads as something to do', () => {
    for (const s of plan.steps) for (const phase of s.phases) expect(phaseText(phase)).toMatch(/^[A-Z].{10,}/);
  });
});
