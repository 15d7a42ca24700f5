import { expect, test } from 'vitest';
import { NO_PAST } from '../bath/past';
import { LIBRARY, METHODS } from '../method/library';
import { STARTER } from '../shelf/library';
import { CHAIN, draft, home, planned, SATURDAY_9, vessels, wool } from './plan.fixture';
import { type Kitchen, planHere } from './planHere';

const lot = wool('a', 100);
const kitchen: Kitchen = {
  lots: [lot],
  vessels,
  home,
  methods: METHODS,
  dyestuffs: STARTER.dyestuffs,
  assistants: STARTER.assistants,
  mordants: { a: 'known' },
  liquors: [],
  labels: {},
  others: [],
  ownDyes: [],
  pots: [],
  past: NO_PAST,
};

test('what is shown while typing is what is planned when it is kept', () => {
  const shown = planHere(draft(['a']), kitchen, SATURDAY_9).plan;
  expect(shown?.steps.map((step) => [step.id, step.startMs, step.vesselId])).toEqual(
    planned([lot]).steps.map((step) => [step.id, step.startMs, step.vesselId]),
  );
});

test('a method of one’s own is planned with, a figure out of its range is pointed out in its field', () => {
  const alum = LIBRARY.find('alum-10');
  if (!alum) throw new Error('no alum');
  const mine = { ...alum, id: 'mine', name: 'My alum' };
  const chain = CHAIN.map((item) => (item.methodId === 'alum-10' ? { ...item, methodId: 'mine' } : item));
  expect(planHere(draft(['a'], { chain }), kitchen, SATURDAY_9).problems[0]?.message).toMatch(/not in the library/);
  const withMine = { ...kitchen, methods: [...METHODS, mine] };
  expect(planHere(draft(['a'], { chain }), withMine, SATURDAY_9).plan?.methods.map((method) => method.id)).toContain('mine');
  const mad = chain.map((item) => (item.methodId === 'mine' ? { ...item, params: { [alum.params[0]?.key ?? '']: 1e9 } } : item));
  expect(planHere(draft(['a'], { chain: mad }), withMine, SATURDAY_9).problems[0]?.at).toMatch(/^chain\.1\.params\./);
});

test('what a dyestuff gave here goes before what the shelf says of it, and the plan says on how many results it rests', () => {
  const plain = planHere(draft(['a']), kitchen, SATURDAY_9).plan;
  const dyeing = plain?.steps.find((step) => step.treatment === 'dye');
  const plant = STARTER.dyestuff(dyeing?.dyestuffId ?? '');
  const own = { dye: plant?.name ?? '', mordanted: true, hex: '#336699', n: 3, spread: 2 };
  const learnt = planHere(draft(['a']), { ...kitchen, ownDyes: [own, { ...own, mordanted: false, hex: '#ff0000' }] }, SATURDAY_9).plan;
  const id = dyeing?.id ?? '';
  expect(plain?.lots[0]?.expectedFrom).toBeUndefined();
  expect(learnt?.lots[0]?.expectedFrom).toEqual({ [id]: 3 });
  expect(learnt?.lots[0]?.expectedHex[id]).not.toBe(plain?.lots[0]?.expectedHex[id]);
  // Blue on this wool: with the mordant, as it was dyed.
  expect(Number.parseInt((learnt?.lots[0]?.expectedHex[id] ?? '').slice(5), 16)).toBeGreaterThan(100);
});
