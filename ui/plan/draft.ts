import { WAYS, type Way } from '@/core/method/data/ways';
import { type Method, STAGES } from '@/core/method/method';
import { type ChainItem, type Draft, lotsOf, nextExtraId } from '@/core/plan/draft';
import { FIRST_PLANT } from '@/core/plan/plant';

const HOUR = 3_600_000;

type Find = (id: string) => Method | undefined;

/** A step as it is added: no dyestuff is filled in that nobody chose. */
export const newItem = (methodId: string, id: string): ChainItem => ({ id, methodId, params: {}, dyestuffId: null });

/** The steps of a way of working, for these lots. */
export const chainOf = (way: Way | undefined, lotIds: readonly string[]): ChainItem[] =>
  (way?.steps ?? []).map(({ methodId, nth }, i) => {
    const lotId = nth === undefined ? undefined : lotIds[nth - 1];
    return { ...newItem(methodId, `c${i + 1}`), ...(lotId === undefined ? {} : { lotIds: [lotId] }) };
  });

/** What hung on the steps that were there goes with them; name, fibre and start stay. */
const bare = (draft: Draft): Draft => ({ ...draft, vessels: {}, overrules: {}, pins: {}, reasons: {}, lids: {}, extras: {}, plantAmounts: {} });

/** Begun anew with the steps of a way of working. */
export const withWay = (draft: Draft, way: Way): Draft => ({ ...bare(draft), chain: chainOf(way, draft.lotIds) });

/** With other lots. A way of working that sets lots apart gives each its step, as long as nobody gave it to another. */
export function withLots(draft: Draft, lotIds: readonly string[]): Draft {
  const way = wayOf(draft);
  const chain = draft.chain.map((item, i): ChainItem => {
    const nth = way?.steps[i]?.nth;
    if (nth === undefined) return item;
    const before = draft.lotIds[nth - 1];
    const isAsGiven = !item.lotIds || (item.lotIds.length === 1 && item.lotIds[0] === before);
    const lotId = lotIds[nth - 1];
    return isAsGiven ? { ...item, lotIds: lotId === undefined ? null : [lotId] } : item;
  });
  return { ...draft, lotIds, chain };
}

/** Begun anew as another plan was: its steps, plants and whatever went in beside them, for everybody. */
export const asBefore = (draft: Draft, before: Draft): Draft => ({
  ...bare(draft),
  chain: before.chain.map((item) => ({ ...item, lotIds: null })),
  ...(before.lids ? { lids: before.lids } : {}),
  ...(before.extras ? { extras: before.extras } : {}),
  ...(before.plantAmounts ? { plantAmounts: before.plantAmounts } : {}),
});

/** The way of working that these steps are; null when they have become somebody's own. */
export const wayOf = (draft: Pick<Draft, 'chain'>): Way | null =>
  WAYS.find((way) => way.steps.length === draft.chain.length && way.steps.every((step, i) => step.methodId === draft.chain[i]?.methodId)) ?? null;

export const blankDraft = (nowMs: number): Draft => ({
  // The next full hour: a start that has passed before the form is filled helps nobody.
  name: '',
  startMs: Math.ceil(nowMs / HOUR) * HOUR,
  lotIds: [],
  vessels: {},
  overrules: {},
  pins: {},
  reasons: {},
  chain: chainOf(WAYS[0], []),
});

/** Ids that the chain does not have yet. */
export function nextItemIds(draft: Pick<Draft, 'chain'>, count: number): string[] {
  const last = Math.max(0, ...draft.chain.map((item) => Number(/^c(\d+)$/.exec(item.id)?.[1] ?? 0)));
  return Array.from({ length: count }, (_, i) => `c${last + 1 + i}`);
}
export const nextItemId = (draft: Pick<Draft, 'chain'>): string => nextItemIds(draft, 1)[0] ?? 'c1';

/** An item done by another method: its figures are the new one’s, its plants stay where it wants any. */
export const byMethod = ({ id, needsDyestuff }: Pick<Method, 'id' | 'needsDyestuff'>): Partial<ChainItem> => ({
  methodId: id,
  methodVersion: null,
  params: {},
  ...(needsDyestuff ? {} : { dyestuffId: null, morePlants: [], plantDetails: {} }),
});

/** Adds a method behind the last item of its own or an earlier stage: the chain stays in working order by itself. */
export function withItem(draft: Draft, method: Method, find: Find): Draft {
  const stageOf = (methodId: string) => {
    const found = find(methodId);
    return found ? STAGES.indexOf(found.stage) : -1;
  };
  const after = draft.chain.findLastIndex((item) => stageOf(item.methodId) <= STAGES.indexOf(method.stage));
  return { ...draft, chain: draft.chain.toSpliced(after + 1, 0, newItem(method.id, nextItemId(draft))) };
}

export const withoutItem = (draft: Draft, id: string): Draft => ({ ...draft, chain: draft.chain.filter((item) => item.id !== id) });

export function movedItem(draft: Draft, id: string, by: -1 | 1): Draft {
  const from = draft.chain.findIndex((item) => item.id === id);
  const item = draft.chain[from];
  const to = from + by;
  if (!item || to < 0 || to >= draft.chain.length) return draft;
  return { ...draft, chain: draft.chain.toSpliced(from, 1).toSpliced(to, 0, item) };
}

export const changedItem = (draft: Draft, id: string, change: Partial<ChainItem>): Draft => ({
  ...draft,
  chain: draft.chain.map((item) => (item.id === id ? { ...item, ...change } : item)),
});

type Records = Required<Pick<Draft, 'vessels' | 'overrules' | 'plantAmounts' | 'pins' | 'reasons' | 'lids' | 'labels' | 'answers'>>;
/** Sets or clears one entry of the records a draft keeps by step, substance or lot. */
export function withEntry<K extends keyof Records>(draft: Draft, record: K, key: string, value: Records[K][string] | null): Draft {
  const rest = Object.fromEntries(Object.entries(draft[record] ?? {}).filter(([had]) => had !== key));
  return { ...draft, [record]: value === null ? rest : { ...rest, [key]: value } };
}

/** The first plant of an item and those beside it, each with the id of its addition. */
export const plantsOf = (item: ChainItem): { readonly id: string; readonly dyestuffId: string | null }[] => [
  { id: FIRST_PLANT, dyestuffId: item.dyestuffId },
  ...(item.morePlants ?? []),
];

/** With one more plant beside those that are there. */
export function withPlant(item: ChainItem, dyestuffId: string): Partial<ChainItem> {
  if (item.dyestuffId === null) return { dyestuffId };
  const nth = 1 + Math.max(1, ...(item.morePlants ?? []).map((plant) => Number(plant.id.replace(/^dyestuff-/, ''))));
  return { morePlants: [...(item.morePlants ?? []), { id: `dyestuff-${nth}`, dyestuffId }] };
}

/** Without one of them; the next moves up when it was the first. What was said of it goes with it. */
export function withoutPlant(item: ChainItem, id: string): Partial<ChainItem> {
  const { [id]: _gone, ...plantDetails } = item.plantDetails ?? {};
  if (id !== FIRST_PLANT) return { morePlants: (item.morePlants ?? []).filter((plant) => plant.id !== id), plantDetails };
  const [next, ...rest] = item.morePlants ?? [];
  if (!next) return { dyestuffId: null, plantDetails };
  const { [next.id]: moved, ...others } = plantDetails;
  return { dyestuffId: next.dyestuffId, morePlants: rest, plantDetails: moved ? { ...others, [FIRST_PLANT]: moved } : others };
}

/** With one more thing in a step beside what its method asks for. */
export function withExtra(draft: Draft, stepId: string, substance: string): Draft {
  const had = draft.extras?.[stepId] ?? [];
  return { ...draft, extras: { ...draft.extras, [stepId]: [...had, { id: nextExtraId(had), substance, wofPct: null }] } };
}

/** Without it again, and without what was set of it. */
export function withoutExtra(draft: Draft, stepId: string, id: string): Draft {
  const bare = withEntry(withEntry(draft, 'overrules', `${stepId}/${id}`, null), 'plantAmounts', `${stepId}/${id}`, null);
  return { ...bare, extras: { ...draft.extras, [stepId]: (draft.extras?.[stepId] ?? []).filter((one) => one.id !== id) } };
}

/**
 * A step is for everybody until a lot is tapped: then it is that lot's alone. Further taps let others join or leave; the
 * last one stays. @param lotId null: everybody
 */
export function lotTapped(draft: Draft, itemId: string, lotId: string | null): Draft {
  const item = draft.chain.find((one) => one.id === itemId);
  if (!item) return draft;
  if (lotId === null) return changedItem(draft, itemId, { lotIds: null });
  if (!item.lotIds) return changedItem(draft, itemId, { lotIds: [lotId] });
  const next = item.lotIds.includes(lotId) ? item.lotIds.filter((had) => had !== lotId) : [...item.lotIds, lotId];
  if (next.length === 0) return draft;
  // All of them by name, not everybody: whoever is tapped next leaves, and the others stay.
  return changedItem(draft, itemId, { lotIds: next });
}

/** The same step for each of its lots by itself: parallel baths, each in a vessel of its own. */
export function eachInItsOwn(draft: Draft, itemId: string): Draft {
  const at = draft.chain.findIndex((one) => one.id === itemId);
  const item = draft.chain[at];
  if (!item) return draft;
  const lotIds = lotsOf(item, draft);
  const ids = [item.id, ...nextItemIds(draft, lotIds.length - 1)];
  const copies = lotIds.map((lotId, i) => ({ ...item, id: ids[i] ?? item.id, lotIds: [lotId] }));
  return { ...draft, chain: draft.chain.toSpliced(at, 1, ...copies) };
}

/** Which item of the chain a problem belongs to, whether it names the place, the item or the step. */
export function itemOfProblem(at: string, draft: Draft): string | null {
  const byPlace = /^(?:draft\.)?chain\.(\d+)\b/.exec(at);
  if (byPlace) return draft.chain[Number(byPlace[1])]?.id ?? null;
  return draft.chain.find((item) => at === `chain.${item.id}` || at.startsWith(`steps.${item.id}-`))?.id ?? null;
}
