import { crc32 } from 'node:zlib';
import type { Db } from './db';
import type { Journal } from './journal';
import { type Damage, type JournalIndex, type JournalWrite, type Newest, rowKey, rowsOf } from './journalIndex';
import { crcOf, isIntact, type Mark, type Marked } from './mark';
import { mend, ROW_KINDS, type RowKind, type RowWrite, tableOf, wordsOf } from './tables';
import { shapeOf, upcast } from './upcasts';

const PAGE = 500;

/** What a look at both copies found and did. */
export interface United {
  /** Rows of the database that were missing, older or damaged, and came from the journal. */
  readonly mended: number;
  /** Rows that only the database had, and the journal has now. */
  readonly learnt: number;
  /** What neither copy can prove, in sentences. */
  readonly lost: readonly string[];
  /** What is left of it, to be kept. */
  readonly aside: readonly unknown[];
  /** The newest act that an intact row of the database tells of. */
  readonly lastProved: number;
}

/** A row that is to be put, and the mark it had when it was looked at. */
export interface Due {
  readonly write: RowWrite;
  readonly seq: number;
  readonly seen: Mark;
}

export interface UniteInput {
  /** Where rows are put. */
  readonly target: Db;
  /** Where the database's rows are read from: the target itself, or a damaged database that is being replaced. */
  readonly pages: (table: RowKind) => AsyncIterable<readonly Marked<unknown>[]>;
  /** The target is new and empty: everything is put into it. */
  readonly isNew: boolean;
  readonly journal: Journal<JournalWrite>;
  readonly index: JournalIndex;
  /** Takes rows that the journal lacks; they are in the database under the act it gives them. @returns how many of them it took */
  readonly learn: (news: readonly Due[]) => Promise<number>;
  /** Runs writes to the target as one. */
  readonly together: (work: (db: Db) => Promise<void>) => Promise<void>;
  /** Acts after this one came while we looked, and are no news; null when nobody writes meanwhile. */
  readonly upTo: number | null;
  /** Damages that were told before, by `damageKey`. */
  readonly settled: ReadonlySet<string>;
  readonly pause?: () => Promise<void>;
}

export const damageKey = ({ at, text }: Damage): string => `${at.file}:${at.offset}:${crc32(text)}`;

/** All rows of a table, a page at a time. */
export async function* pagesOf(db: Db, table: RowKind): AsyncGenerator<readonly Marked<unknown>[]> {
  let after: unknown = null;
  for (;;) {
    const page: Marked<unknown>[] = await tableOf(table).page(db, after, PAGE);
    if (page.length > 0) yield page;
    if (page.length < PAGE) return;
    after = page.at(-1)?.row;
  }
}

export const when = (ms: number): string => new Intl.DateTimeFormat('en-GB', { dateStyle: 'full', timeStyle: 'short' }).format(ms);

/** Hints in what is left of a line: which row it was, and when. */
function hints(damage: Damage): { table: RowKind | null; words: string; atMs: number | null } {
  const find = (pattern: RegExp) => pattern.exec(damage.text)?.[1] ?? null;
  const table = find(/"table":"(\w+)"/);
  const known = ROW_KINDS.find((kind) => kind === table) ?? null;
  const called = find(/"name":"([^"\\]{1,80})"/) ?? find(/"type":"(\w+)"/) ?? find(/"id":"([^"\\]{1,80})"/) ?? '';
  const atMs = Number(find(/"atMs":(\d{12,14})/) ?? Number.NaN);
  return { table: known, words: known ? wordsOf(known, { name: called }) : 'something', atMs: Number.isFinite(atMs) ? atMs : damage.afterMs };
}

/** What a damaged line may still say whole; null when it cannot be read as JSON any more. */
function stillSaid(damage: Damage): { seq: number; writes: readonly JournalWrite[] } | null {
  try {
    const line = JSON.parse(damage.text.slice(9)) as { seq?: unknown; writes?: unknown };
    return typeof line.seq === 'number' && Array.isArray(line.writes) ? { seq: line.seq, writes: line.writes as JournalWrite[] } : null;
  } catch {
    return null;
  }
}

/**
 * Makes one of two copies: of each row the newest intact version stands, whichever side has it, in both from then on. What neither
 * side can prove is taken out of the database, handed back to be kept, and said.
 */
export async function unite(input: UniteInput): Promise<United> {
  const { target, pages, isNew, journal, index, learn, together, upTo, settled, pause = async () => undefined } = input;
  const rest = new Map<string, Newest>(index.newest);
  const wanted = new Map<string, Newest>();
  const lost: string[] = [];
  const aside: unknown[] = [];
  const proved = new Set<number>();
  let [learnt, lastProved] = [0, 0];

  for (const table of ROW_KINDS) {
    for await (const page of pages(table)) {
      await pause();
      const keep: Due[] = [];
      const news: Due[] = [];
      const drops: Marked<unknown>[] = [];
      for (const marked of page) {
        const { mark } = marked;
        const intact = isIntact(marked);
        const row = mark.shape === shapeOf(table) ? marked.row : upcast(table, marked.row, mark.shape);
        const write = { table, row } as RowWrite;
        const key = rowKey(table, row);
        const known = rest.get(key);
        rest.delete(key);
        if (intact) {
          proved.add(mark.seq);
          lastProved = Math.max(lastProved, mark.seq);
          if (upTo !== null && mark.seq > upTo) continue;
          if (!known || mark.seq > known.seq) news.push({ write, seq: mark.seq, seen: mark });
          else if (mark.seq === known.seq && mark.crc === known.crc) {
            if (isNew || mark.shape !== shapeOf(table)) keep.push({ write, seq: mark.seq, seen: mark });
          } else wanted.set(key, known);
        } else if (mark.seq === 0) {
          // From before there were marks: what the journal says as well is proved by it, what it does not know is believed.
          if (!known) news.push({ write, seq: mark.seq, seen: mark });
          else if (known.crc === crcOf(row)) keep.push({ write, seq: known.seq, seen: mark });
          else wanted.set(key, known);
        } else {
          aside.push({ why: 'a damaged row of the database', table, row: marked.row, mark });
          if (known) wanted.set(key, known);
          else drops.push(marked);
          // Of an act that the journal lost too, what is left of its line tells more.
          const isNewer = mark.seq > (known?.seq ?? 0) && mark.seq > index.lastSeq;
          if ((isNewer || !known) && !index.missing.has(mark.seq))
            lost.push(`A change to ${wordsOf(table, row)} could not be read${known ? '; it stands as it was before' : ''}.`);
        }
      }
      if (keep.length > 0 || drops.length > 0)
        await together(async (db) => {
          for (const { write, seq, seen } of keep) if (isNew || (await isStill(db, write, seen))) await mend(db, write, seq);
          if (!isNew) for (const { row, mark } of drops) if (await isStill(db, { table, row } as RowWrite, mark)) await tableOf(table).drop(db, row);
        });
      if (news.length > 0) {
        learnt += await learn(news);
      }
    }
  }
  for (const [key, known] of rest) wanted.set(key, known);
  const mended = await bring(journal, wanted, isNew, together, pause);
  for (const damage of index.damages) {
    if (settled.has(damageKey(damage))) continue;
    const said = stillSaid(damage);
    if (said && (await isOutlived(target, said))) continue;
    if (damage.seq !== null && proved.has(damage.seq)) continue;
    const { table, words, atMs } = hints(damage);
    if (damage.seq === null && damage.at.file.startsWith('snapshot') && said === null && table === null) {
      lost.push(`A row of ${damage.at.file} could not be read, and nothing tells which.`);
    } else
      lost.push(
        `A change to ${words}${atMs === null ? '' : ` of about ${when(atMs)}`} could not be read in the journal, and the database does not hold it. What is older stands.`,
      );
    aside.push({ why: 'a damaged line of the journal', file: damage.at.file, offset: damage.at.offset, text: damage.text });
  }
  return { mended, learnt, lost, aside, lastProved };
}

/** Whether a row is as it was when it was looked at: an act may have changed it since, and what is newer is never put back. */
export async function isStill(db: Db, { table, row }: RowWrite, seen: Mark): Promise<boolean> {
  const now = (await tableOf(table).find(db, row))?.mark;
  return now !== undefined && now.seq === seen.seq && now.crc === seen.crc;
}

/** Whether the database holds what a damaged line said, or something newer. */
async function isOutlived(db: Db, { seq, writes }: { seq: number; writes: readonly JournalWrite[] }): Promise<boolean> {
  try {
    for (const { table, row } of rowsOf(writes)) {
      const had = await tableOf(table).find(db, row);
      if (!had || !isIntact(had) || had.mark.seq < seq) return false;
    }
    return true;
  } catch {
    return false;
  }
}

/** Whether an act has written the row since, or somebody has mended it already. */
async function hasNewer(db: Db, { table, row }: RowWrite, seq: number): Promise<boolean> {
  const now = await tableOf(table).find(db, row);
  return now !== null && isIntact(now) && (now.mark.seq > seq || (now.mark.seq === seq && now.mark.crc === crcOf(row)));
}

/** Puts the wanted rows out of the journal, in one pass over it. */
async function bring(
  journal: Journal<JournalWrite>,
  wanted: ReadonlyMap<string, Newest>,
  isNew: boolean,
  together: UniteInput['together'],
  pause: () => Promise<void>,
): Promise<number> {
  if (wanted.size === 0) return 0;
  let brought = 0;
  let batch: { write: RowWrite; seq: number }[] = [];
  const flush = async () => {
    const due = batch;
    batch = [];
    await together(async (db) => {
      for (const { write, seq } of due) {
        if (!isNew && (await hasNewer(db, write, seq))) continue;
        await mend(db, write, seq);
        brought++;
      }
    });
    await pause();
  };
  for (const item of journal.read()) {
    if (item.kind !== 'line') continue;
    for (const { table, row, index } of rowsOf(item.line.writes)) {
      const want = wanted.get(rowKey(table, row));
      if (want?.at.file !== item.at.file || want.at.offset !== item.at.offset || want.index !== index) continue;
      batch.push({ write: { table, row } as RowWrite, seq: want.seq });
    }
    if (batch.length >= PAGE) await flush();
  }
  if (batch.length > 0) await flush();
  return brought;
}

/** What was found, in sentences; nothing when both copies agreed. */
export function tell({ mended, learnt, lost }: United): string[] {
  const row = (count: number) => `${count} ${count === 1 ? 'row' : 'rows'}`;
  return [
    ...(mended > 0 ? [`${row(mended)} of the database came from the journal.`] : []),
    ...(learnt > 0 ? [`${row(learnt)} that the journal lacked came from the database.`] : []),
    ...lost,
  ];
}
