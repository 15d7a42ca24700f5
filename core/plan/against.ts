import { type Lot, printComposition, printFinishes } from '../fibre/lot';
import { type Known, knownText } from '../figure';
import { printFigure } from '../measure/print';
import type { MethodBook } from '../method/library';
import { type Method, usualParams } from '../method/method';
import type { Shelf } from '../shelf/lookup';
import type { Against, ChainItem, Draft } from './draft';

/** One thing that is no longer as it was. */
export interface Change {
  /** Names it: the item, "fibre", "order" … */
  readonly at: string;
  /** "Alum, low: mordant 15 % instead of 10 %" */
  readonly says: string;
}

/** What lots are, as far as a colour is swayed by it: each kind once. */
export const fibreText = (lots: readonly Pick<Lot, 'composition' | 'finishes'>[]): string =>
  [...new Set(lots.map(({ composition, finishes }) => `${printComposition(composition)}, ${printFinishes(finishes)}`))]
    .toSorted((a, b) => a.localeCompare(b))
    .join('; ');

/** Everything in which a draft differs from what it repeats. @param lots those of the draft */
export function changesAgainst(
  draft: Pick<Draft, 'chain' | 'overrules' | 'plantAmounts' | 'extras' | 'lids' | 'labels' | 'doseOf' | 'vessels'>,
  against: Against,
  lots: Parameters<typeof fibreText>[0],
  methods: MethodBook,
  shelf: Shelf,
): Change[] {
  const changes: Change[] = [];
  const fibre = fibreText(lots);
  if (fibre !== against.fibre) changes.push({ at: 'fibre', says: `Fibre: ${fibre || 'none'} instead of ${against.fibre || 'none'}` });
  const was = new Map(against.chain.map((item) => [item.id, item]));
  for (const item of draft.chain) {
    const before = was.get(item.id);
    const name = methods.find(item.methodId)?.name ?? item.methodId;
    if (before) changes.push(...changesOfItem(item, before, methods, shelf));
    else changes.push({ at: item.id, says: `${name}: added` });
  }
  const now = new Set(draft.chain.map(({ id }) => id));
  for (const item of against.chain)
    if (!now.has(item.id)) changes.push({ at: item.id, says: `${methods.find(item.methodId)?.name ?? item.methodId}: left out` });
  const [order, orderBefore] = [draft.chain.filter(({ id }) => was.has(id)), against.chain.filter(({ id }) => now.has(id))].map((chain) =>
    chain.map(({ id }) => id).join(' '),
  );
  if (order !== orderBefore) changes.push({ at: 'order', says: 'The order of the steps' });
  for (const key of new Set([...Object.keys(draft.overrules), ...Object.keys(against.overrules)]))
    if (!same(draft.overrules[key], against.overrules[key])) changes.push({ at: key, says: 'An amount set by hand' });
  if (!same(draft.lids ?? {}, against.lids)) changes.push({ at: 'lids', says: 'How a pot is covered' });
  if (!same(draft.plantAmounts ?? {}, against.plantAmounts)) changes.push({ at: 'plantAmounts', says: 'How much of a plant' });
  if (!same(draft.extras ?? {}, against.extras)) changes.push({ at: 'extras', says: 'What goes in beside the method' });
  if (against.doseOf !== undefined && (draft.doseOf ?? null) !== against.doseOf) changes.push({ at: 'doseOf', says: 'What percents are of' });
  const { labels } = against;
  if (labels)
    for (const id of new Set([...Object.keys(draft.labels ?? {}), ...Object.keys(labels)]))
      if (draft.labels?.[id] !== labels[id]) changes.push({ at: `label ${id}`, says: `${shelf.nameOf(id)}: what its label says` });
  // What is repeated has no pot of its own choosing: its size and metal may tell. When a step is does not; how long goods rest is compared afterwards.
  if (Object.keys(draft.vessels).length > 0) changes.push({ at: 'vessels', says: 'A pot chosen by hand' });
  return changes;
}

function changesOfItem(item: ChainItem, before: ChainItem, methods: MethodBook, shelf: Shelf): Change[] {
  const [method, methodBefore] = [methods.find(item.methodId, item.methodVersion), methods.find(before.methodId, before.methodVersion)];
  const name = methodBefore?.name ?? before.methodId;
  // Another method has other figures: they are one change with it.
  if (item.methodId !== before.methodId) return [{ at: item.id, says: `${method?.name ?? item.methodId} instead of ${name}` }];
  const says: string[] = [];
  if (method) says.push(...changedParams(method, item, before));
  if (item.dyestuffId !== before.dyestuffId) says.push(`${stuff(item.dyestuffId, shelf)} instead of ${stuff(before.dyestuffId, shelf)}`);
  if (!same(item.morePlants ?? [], before.morePlants ?? [])) says.push('other plants in it');
  if (!same(item.plantDetails ?? {}, before.plantDetails ?? {})) says.push('form, source or season of a plant');
  if ((item.liquorId ?? null) !== (before.liquorId ?? null)) says.push('another bath');
  if (!same(item.lotIds ?? null, before.lotIds ?? null)) says.push('for other lots');
  if (!same(item.part ?? null, before.part ?? null)) says.push('another part of the lot');
  if (!same(item.bathFrom ?? null, before.bathFrom ?? null)) says.push('works in another bath');
  return says.map((one) => ({ at: item.id, says: `${name}: ${one}` }));
}

const stuff = (id: string | null, shelf: Shelf): string => (id === null ? 'nothing chosen' : shelf.nameOf(id));

function changedParams(method: Method, item: ChainItem, before: ChainItem): string[] {
  const [now, was] = [
    { ...usualParams(method), ...item.params },
    { ...usualParams(method), ...before.params },
  ] as Record<string, Known>[];
  return method.params.flatMap(({ key, label, unit }) => {
    const [a, b] = [now?.[key] ?? null, was?.[key] ?? null];
    return same(a, b) ? [] : [`${label} ${figure(a, unit)} instead of ${figure(b, unit)}`];
  });
}

const figure = (value: Known, unit: string): string => (value === null ? 'unknown' : knownText(value, (one) => printFigure(one, unit)));

/** Plain values as they go through JSON: in the same order of keys they were made in. */
const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** What it means that so much differs. */
export function guardText({ name }: Pick<Against, 'name'>, count: number): string {
  if (count === 0) return `As ${name} was. Change one thing, and what comes out can be put down to it.`;
  if (count === 1) return `One thing differs from ${name}: a difference in what comes out may be put down to it.`;
  return `${count} things differ from ${name}: a difference in what comes out can be put down to none of them.`;
}
