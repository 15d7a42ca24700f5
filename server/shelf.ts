import type { LiquorInput, OwnSubstanceInput, StockInput } from '@/contract/shelf';
import type { Liquor } from '@/core/liquor/liquor';
import { standingEvents } from '@/core/run/fold';
import { blockedText } from '@/core/safety/data/blocked';
import { plantRowsFor } from '@/core/safety/data/plants';
import type { Assistant } from '@/core/shelf/assistant';
import type { Dyestuff } from '@/core/shelf/dyestuff';
import { type OwnSubstances, shelfOf } from '@/core/shelf/library';
import type { Shelf } from '@/core/shelf/lookup';
import { type StockItem, type StockLevel, stockLevels, type Use } from '@/core/shelf/stock';
import { loadAdditions, plannedForms } from '@/store/runs';
import { liquors, type OwnSubstanceRow, ownSubstances, stock } from '@/store/shelf';
import type { App } from './app';
import { addDocument, changeDocument } from './documents';
import { invalid } from './problem';

const STOCK = { rows: stock, what: 'stock', write: (row: StockItem) => ({ table: 'stock', row }) as const, nameOf: (row: StockItem) => row.substance } as const;
const LIQUOR = { rows: liquors, what: 'liquor', write: (row: Liquor) => ({ table: 'liquor', row }) as const, nameOf: (row: Liquor) => row.name } as const;
const OWN = {
  rows: ownSubstances,
  what: 'substance',
  write: (row: OwnSubstanceRow) => ({ table: 'own_substance', row }) as const,
  nameOf: (row: OwnSubstanceRow) => (row.what.kind === 'dyestuff' ? row.what.dyestuff.name : row.what.assistant.name),
} as const;

interface Retire {
  readonly revision: number;
  readonly retired: boolean;
}

export async function ownOf(app: App, retired = true): Promise<OwnSubstances> {
  const rows = retired ? await ownSubstances.all(app.store.db) : await ownSubstances.list(app.store.db);
  return {
    dyestuffs: rows.flatMap((row) => (row.what.kind === 'dyestuff' ? [row.what.dyestuff] : [])),
    assistants: rows.flatMap((row) => (row.what.kind === 'assistant' ? [row.what.assistant] : [])),
  };
}

/** The library with one's own; retired ones too, since plans and files may still name them. */
export const wholeShelf = async (app: App): Promise<Shelf> => shelfOf(await ownOf(app));

export async function levels(app: App): Promise<StockLevel[]> {
  const [items, additions] = [await stock.list(app.store.db), await loadAdditions(app.store.db)];
  const forms = await plannedForms(app.store.db);
  const uses = [...additions].flatMap(([runId, events]) =>
    standingEvents(events).flatMap((event): Use[] => {
      if (event.type !== 'addition') return [];
      const { substance, amount, unit, atMs, stepId, additionId } = event;
      return [{ substance, amount, unit, atMs, form: (additionId && forms.get(`${runId}/${stepId}/${additionId}`)) || null }];
    }),
  );
  return stockLevels(items, uses);
}

/** By substance: the label that the shelf knows; the one counted last stands. */
export async function shelfLabels(app: App): Promise<Record<string, string>> {
  const items = (await stock.list(app.store.db)).toSorted((a, b) => a.countedAtMs - b.countedAtMs);
  return Object.fromEntries(items.flatMap((item) => (item.label === null ? [] : [[item.substance, item.label]])));
}

async function checkStock(app: App, input: StockInput): Promise<void> {
  const shelf = await wholeShelf(app);
  const isPlant = shelf.dyestuff(input.substance) !== undefined;
  if (!isPlant && !shelf.assistant(input.substance))
    throw invalid('This is not in the library.', [{ at: 'substance', message: `“${input.substance}” is not on the shelf. Add it as your own first.` }]);
  if (isPlant && input.form === null)
    throw invalid('Plants have a form.', [{ at: 'form', message: 'Say whether it is fresh, dried, frozen, an extract or spent.' }]);
}

export async function addStock(app: App, { id, ...input }: StockInput & { id: string }): Promise<StockItem> {
  await checkStock(app, input);
  return addDocument(app, STOCK, { ...input, id, revision: 1, retired: false });
}
export async function editStock(app: App, id: string, { revision, ...input }: StockInput & { revision: number }): Promise<StockItem> {
  await checkStock(app, input);
  return changeDocument(app, STOCK, id, revision, (had) => ({ ...had, ...input }));
}
export const retireStock = (app: App, id: string, { revision, retired }: Retire): Promise<StockItem> =>
  changeDocument(app, STOCK, id, revision, (had) => ({ ...had, retired }));

export const listLiquors = (app: App): Promise<Liquor[]> => liquors.list(app.store.db);
export const addLiquor = (app: App, { id, ...input }: LiquorInput & { id: string }): Promise<Liquor> =>
  addDocument(app, LIQUOR, { ...input, id, revision: 1, retired: false });
export const editLiquor = (app: App, id: string, { revision, ...input }: LiquorInput & { revision: number }): Promise<Liquor> =>
  changeDocument(app, LIQUOR, id, revision, (had) => ({ ...had, ...input }));
export const retireLiquor = (app: App, id: string, { revision, retired }: Retire): Promise<Liquor> =>
  changeDocument(app, LIQUOR, id, revision, (had) => ({ ...had, retired }));

export const listOwn = (app: App): Promise<OwnSubstanceRow[]> => ownSubstances.list(app.store.db);

export function addSubstance(app: App, { id, what }: { id: string; what: OwnSubstanceInput }): Promise<OwnSubstanceRow> {
  return addDocument(app, OWN, { id, revision: 1, retired: false, what: madeOf(`own-${id}`, what) });
}
export function editSubstance(app: App, id: string, { revision, what }: { revision: number; what: OwnSubstanceInput }): Promise<OwnSubstanceRow> {
  return changeDocument(app, OWN, id, revision, (had) => ({ ...had, what: madeOf(`own-${id}`, what) }));
}
export const retireSubstance = (app: App, id: string, { revision, retired }: Retire): Promise<OwnSubstanceRow> =>
  changeDocument(app, OWN, id, revision, (had) => ({ ...had, retired }));

/** What the dyer said, as a thing of the library; what nobody said stays as little sure as it is. */
function madeOf(id: string, input: OwnSubstanceInput): OwnSubstanceRow['what'] {
  const blocked = blockedText(input.name);
  if (blocked) throw invalid(blocked, [{ at: 'what.name', message: blocked }]);
  if (input.kind === 'dyestuff') return { kind: 'dyestuff', dyestuff: ownDyestuff(id, input) };
  return { kind: 'assistant', assistant: ownAssistant(id, input) };
}

function ownDyestuff(id: string, input: Extract<OwnSubstanceInput, { kind: 'dyestuff' }>): Dyestuff {
  const { name, part, botanical, chemistry, mordant, phSensitive, fugitive, maxC, ratioFresh, ratioDried, colour, expectedHex } = input;
  return {
    id,
    name,
    part,
    botanical,
    chemistry,
    mordant,
    phSensitive,
    fugitive,
    maxC,
    expectedHex,
    ratio: { ...(ratioFresh === null ? {} : { fresh: ratioFresh }), ...(ratioDried === null ? {} : { dried: ratioDried }) },
    extractBy: 'extract-unknown',
    heat: { text: maxC === null ? 'no figure' : `never above ${maxC} °C`, standing: 'uncertain' },
    colour: { text: colour, standing: 'uncertain' },
    behaviour: { text: '', standing: 'uncertain' },
    plantRow: plantRowsFor(`${name} ${part}`)[0]?.id ?? 'unresolved',
  };
}

function ownAssistant(id: string, input: Extract<OwnSubstanceInput, { kind: 'assistant' }>): Assistant {
  const { name, group, unit, usual, cautionAbovePct, inBrief } = input;
  return {
    id,
    name,
    group,
    unit,
    usual,
    inBrief,
    formula: null,
    bulkGPerMl: null,
    bulkStanding: 'estimate',
    usualPct: null,
    limit: cautionAbovePct === null ? null : { per: 'wofPct', cautionAbove: cautionAbovePct, stopAbove: null, stopNeedsReason: false, why: 'your own limit' },
    wear: ['G', 'E'],
    keepFrom: '',
    leftOver: 'W2',
    signal: 'see label',
    hazardCodes: '',
    reacts:
      group === 'acid'
        ? ['acid']
        : group === 'alkali'
          ? ['alkali', 'strongAlkali']
          : group === 'oxidiser'
            ? ['oxidiser']
            : group === 'reducer'
              ? ['reducer']
              : [],
    dusty: unit === 'g',
    askForm: null,
    confidence: 'L',
  };
}
