import {
  closeSync,
  existsSync,
  fdatasyncSync,
  fsyncSync,
  ftruncateSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import path from 'node:path';
import { crc32 } from 'node:zlib';
import type { Reading } from '@/core/hold/credit';
import { forceFolder, refuseIfGone } from '../journal';
import {
  DAY_MS,
  decodeDay,
  decodeRecords,
  encodeDay,
  encodeRecord,
  HOUR_MS,
  MINUTE_MS,
  type Point,
  readSummaries,
  type Summary,
  summarize,
  together,
  writeSummaries,
} from './codec';

/** How closely a stretch is to be looked at. */
export type Level = 'all' | 'minutes' | 'hours' | 'days';

const CACHED_DAYS = 8;
/** Files that have been replaced by a better one stay beside it for a while. */
const KEPT_SPENT = 3;

interface Day {
  /** In time order, one for each instant. */
  readonly points: Point[];
}

/**
 * Readings of all probes: one append-only file a day and probe (`<day>.raw`), forced like acts; past days sealed into
 * a compressed file with its minutes in front (`<day>.day`), and their hours in one file a year (`<year>.hours`), so that a long stretch
 * is read from its summaries. Days are those of UTC.
 */
export class Readings {
  private readonly days = new Map<string, Day>();
  private readonly lastMs = new Map<string, number>();
  private readonly files = new Map<string, { readonly fd: number; size: number; readonly name: string }>();
  private readonly said = new Set<string>();
  /** How often readings came that lie before some that were here already. */
  private lateComers = 0;

  constructor(
    private readonly folder: string,
    /** Told of what could not be read, once each. */
    private readonly onFault: (text: string) => void = () => undefined,
  ) {}

  /** Writes readings and forces them. One that came before, by its instant, is kept once. Throws when the disk refuses; then none of them is kept. */
  append(probeId: string, points: readonly Point[]): void {
    const sorted = [...points].sort((a, b) => a[0] - b[0]);
    for (const [dayMs, ofDay] of byDay(sorted)) this.appendDay(probeId, dayMs, ofDay);
  }

  /** Readings of a stretch in time order: all of them, or the means of minutes, hours or days in the middle of each. */
  between(probeId: string, fromMs: number, toMs: number, level: Level = 'all'): Reading[] {
    if (!existsSync(this.home(probeId))) return [];
    const within = (atMs: number) => atMs >= fromMs && atMs <= toMs;
    if (level === 'hours')
      return this.hours(probeId, fromMs, toMs)
        .map((one) => mean(one, HOUR_MS))
        .filter((reading) => within(reading.atMs));
    if (level === 'days')
      return together(this.hours(probeId, fromMs, toMs), DAY_MS)
        .map((one) => mean(one, DAY_MS))
        .filter((reading) => within(reading.atMs));
    const days = this.daysOf(probeId).filter((dayMs) => dayMs + DAY_MS > fromMs && dayMs <= toMs);
    if (level === 'minutes')
      return days
        .flatMap((dayMs) => this.minutes(probeId, dayMs))
        .map((one) => mean(one, MINUTE_MS))
        .filter((reading) => within(reading.atMs));
    return days.flatMap((dayMs) =>
      this.day(probeId, dayMs)
        .points.filter(([atMs]) => within(atMs))
        .map(([atMs, bathC]) => ({ atMs, bathC })),
    );
  }

  /** Changes when what a probe read up to an instant may have become more: whoever worked something out of it looks again. */
  standUntil(probeId: string, untilMs: number): string {
    return `${Math.min(this.lastOf(probeId), untilMs)}/${this.lateComers}`;
  }

  latest(probeId: string): Reading | null {
    const dayMs = this.daysOf(probeId).at(-1);
    const last = dayMs === undefined ? undefined : this.day(probeId, dayMs).points.at(-1);
    return last ? { atMs: last[0], bathC: last[1] } : null;
  }

  /** All probes that ever sent a reading. */
  probes(): string[] {
    return existsSync(this.folder)
      ? readdirSync(this.folder, { withFileTypes: true })
          .filter((entry) => entry.isDirectory())
          .map((entry) => decodeURIComponent(entry.name))
      : [];
  }

  /** UTC days with readings, in order, by the instant at which they begin. */
  daysOf(probeId: string): number[] {
    const home = this.home(probeId);
    if (!existsSync(home)) return [];
    const days = new Set<number>();
    for (const name of readdirSync(home)) {
      const found = /^(\d{4}-\d\d-\d\d)\.(?:raw|day)$/.exec(name);
      if (found) days.add(Date.parse(`${found[1]}T00:00:00Z`));
    }
    return [...days].sort((a, b) => a - b);
  }

  points(probeId: string, dayMs: number): readonly Point[] {
    return this.day(probeId, dayMs).points;
  }

  /** Seals days that are over; a few at a time, so that nothing waits. @returns whether there is more to do */
  seal(nowMs: number, most = 2): boolean {
    let done = 0;
    for (const probeId of this.probes())
      for (const dayMs of this.daysOf(probeId)) {
        if (dayMs + DAY_MS + HOUR_MS > nowMs || !existsSync(this.file(probeId, dayMs, 'raw'))) continue;
        if (done === most) return true;
        this.sealDay(probeId, dayMs);
        done++;
      }
    return false;
  }

  /** Reads everything and says what cannot be read. */
  *check(): Generator<{ probeId: string; dayMs: number; readings: number }> {
    for (const probeId of this.probes()) for (const dayMs of this.daysOf(probeId)) yield { probeId, dayMs, readings: this.read(probeId, dayMs).points.length };
  }

  close(): void {
    for (const { fd } of this.files.values()) closeSync(fd);
    this.files.clear();
    this.days.clear();
  }

  private appendDay(probeId: string, dayMs: number, points: readonly Point[]): void {
    const isLater = (points[0]?.[0] ?? 0) > this.lastOf(probeId);
    const had = isLater ? null : new Set(this.day(probeId, dayMs).points.map(([atMs]) => atMs));
    const seen = new Set<number>();
    const fresh = points.filter(([atMs]) => !had?.has(atMs) && !seen.has(atMs) && seen.add(atMs));
    if (fresh.length === 0) return;
    const file = this.open(probeId, dayMs);
    refuseIfGone(file.fd, file.name);
    const bytes = encodeRecord(fresh, dayMs);
    try {
      for (let done = 0; done < bytes.length; ) done += writeSync(file.fd, bytes, done, bytes.length - done, file.size + done);
      fdatasyncSync(file.fd);
    } catch (error) {
      // What is half there has no checksum, and the next append writes over it.
      try {
        ftruncateSync(file.fd, file.size);
      } catch {
        // The disk refuses this too; the half record is stepped over when it is read.
      }
      throw error;
    }
    file.size += bytes.length;
    if (!isLater) this.lateComers++;
    this.lastMs.set(probeId, Math.max(this.lastOf(probeId), fresh.at(-1)?.[0] ?? 0));
    const cached = this.days.get(keyOf(probeId, dayMs));
    if (!cached) return;
    const inOrder = (cached.points.at(-1)?.[0] ?? 0) < (fresh[0]?.[0] ?? 0);
    for (const [atMs, bathC] of fresh) cached.points.push([atMs, Math.round(bathC * 1000) / 1000]);
    if (!inOrder) cached.points.sort((a, b) => a[0] - b[0]);
  }

  private lastOf(probeId: string): number {
    const known = this.lastMs.get(probeId);
    if (known !== undefined) return known;
    const last = this.latest(probeId)?.atMs ?? Number.NEGATIVE_INFINITY;
    this.lastMs.set(probeId, last);
    return last;
  }

  private open(probeId: string, dayMs: number): { readonly fd: number; size: number; readonly name: string } {
    const had = this.files.get(probeId);
    const name = this.file(probeId, dayMs, 'raw');
    if (had?.name === name) return had;
    if (had) closeSync(had.fd);
    mkdirSync(this.home(probeId), { recursive: true });
    const isNew = !existsSync(name);
    const fd = openSync(name, isNew ? 'wx' : 'r+');
    if (isNew) {
      forceFolder(this.home(probeId));
      forceFolder(this.folder);
    }
    // Half a record at the end was never acknowledged.
    const size = isNew ? 0 : decodeRecords(readFileSync(name), dayMs).endsAt;
    if (!isNew && size < statSync(name).size) ftruncateSync(fd, size);
    const file = { fd, size, name };
    this.files.set(probeId, file);
    return file;
  }

  private day(probeId: string, dayMs: number): Day {
    const key = keyOf(probeId, dayMs);
    const day = this.days.get(key) ?? this.read(probeId, dayMs);
    // The one used last stands last; the first goes when there are too many.
    this.days.delete(key);
    this.days.set(key, day);
    const oldest = this.days.size > CACHED_DAYS ? this.days.keys().next().value : undefined;
    if (oldest !== undefined) this.days.delete(oldest);
    return day;
  }

  private read(probeId: string, dayMs: number): Day {
    const came: Point[] = [...(this.sealed(probeId, dayMs)?.points() ?? [])];
    const raw = this.file(probeId, dayMs, 'raw');
    if (existsSync(raw)) {
      const bytes = readFileSync(raw);
      const { points, lostBytes } = decodeRecords(bytes, dayMs);
      if (lostBytes > 0) this.fault(raw, `${lostBytes} bytes of the readings of ${probeId} of ${dayText(dayMs)} could not be read and were left out.`);
      for (const point of points) came.push(point);
    }
    const byTime = new Map<number, Point>();
    for (const point of came) if (!byTime.has(point[0])) byTime.set(point[0], point);
    return { points: [...byTime.values()].sort((a, b) => a[0] - b[0]) };
  }

  private sealed(probeId: string, dayMs: number): ReturnType<typeof decodeDay> {
    const name = this.file(probeId, dayMs, 'day');
    if (!existsSync(name)) return null;
    const day = decodeDay(readFileSync(name), dayMs);
    if (day) return day;
    const spent = `${this.file(probeId, dayMs, 'raw')}.spent`;
    if (existsSync(spent)) {
      const { points } = decodeRecords(readFileSync(spent), dayMs);
      this.fault(name, `The readings of ${probeId} of ${dayText(dayMs)} were damaged; they are read from the file they were made of.`);
      return { points: () => points, minutes: () => summarize(points, MINUTE_MS) };
    }
    const hours = this.hoursOfYear(probeId, new Date(dayMs).getUTCFullYear()).get(dayMs);
    this.fault(
      name,
      `The readings of ${probeId} of ${dayText(dayMs)} could not be read${hours ? '; the means of its hours are still there' : ' and are lost'}. The file stays where it is.`,
    );
    return { points: () => [], minutes: () => [] };
  }

  private minutes(probeId: string, dayMs: number): Summary[] {
    const isSealed = !existsSync(this.file(probeId, dayMs, 'raw'));
    if (isSealed && !this.days.has(keyOf(probeId, dayMs))) return this.sealed(probeId, dayMs)?.minutes() ?? [];
    return summarize(this.day(probeId, dayMs).points, MINUTE_MS);
  }

  private hours(probeId: string, fromMs: number, toMs: number): Summary[] {
    const years = new Map<number, Map<number, Summary[]>>();
    return this.daysOf(probeId)
      .filter((dayMs) => dayMs + DAY_MS > fromMs && dayMs <= toMs)
      .flatMap((dayMs) => {
        const year = new Date(dayMs).getUTCFullYear();
        let known = years.get(year);
        if (!known) {
          known = this.hoursOfYear(probeId, year);
          years.set(year, known);
        }
        const sealed = existsSync(this.file(probeId, dayMs, 'raw')) ? undefined : known.get(dayMs);
        return sealed ?? summarize(this.day(probeId, dayMs).points, HOUR_MS);
      });
  }

  /** Hours by day, of the days of a year that are sealed; a day written again stands as it was written last. */
  private hoursOfYear(probeId: string, year: number): Map<number, Summary[]> {
    const days = new Map<number, Summary[]>();
    const name = path.join(this.home(probeId), `${year}.hours`);
    if (!existsSync(name)) return days;
    for (const line of readFileSync(name, 'latin1').split('\n')) {
      const [sum = '', dayMs = '', body = ''] = line.split(' ');
      if (crc32(`${dayMs} ${body}`) === Number.parseInt(sum, 16)) days.set(Number(dayMs), readSummaries(Buffer.from(body, 'base64'), Number(dayMs), HOUR_MS));
    }
    return days;
  }

  private sealDay(probeId: string, dayMs: number): void {
    const { points } = this.read(probeId, dayMs);
    const name = this.file(probeId, dayMs, 'day');
    const raw = this.file(probeId, dayMs, 'raw');
    const part = `${name}.part`;
    writeForced(part, encodeDay(points, dayMs));
    const again = decodeDay(readFileSync(part), dayMs)?.points() ?? [];
    if (again.length !== points.length || again.some(([atMs, bathC], i) => points[i]?.[0] !== atMs || points[i]?.[1] !== bathC))
      throw new Error(`${part} does not say what ${raw} says`);
    const hours = writeSummaries(summarize(points, HOUR_MS), dayMs, HOUR_MS).toString('base64');
    const line = `${dayMs} ${hours}`;
    const year = openSync(path.join(this.home(probeId), `${new Date(dayMs).getUTCFullYear()}.hours`), 'a');
    writeSync(year, `${crc32(line).toString(16).padStart(8, '0')} ${line}\n`);
    fdatasyncSync(year);
    closeSync(year);
    renameSync(part, name);
    forceFolder(this.home(probeId));
    const open = this.files.get(probeId);
    if (open?.name === raw) {
      closeSync(open.fd);
      this.files.delete(probeId);
    }
    renameSync(raw, `${raw}.spent`);
    this.days.delete(keyOf(probeId, dayMs));
    const spent = readdirSync(this.home(probeId))
      .filter((file) => file.endsWith('.spent'))
      .sort();
    for (const old of spent.slice(0, -KEPT_SPENT)) rmSync(path.join(this.home(probeId), old));
  }

  private fault(file: string, text: string): void {
    if (this.said.has(file)) return;
    this.said.add(file);
    this.onFault(text);
  }

  private home(probeId: string): string {
    return path.join(this.folder, encodeURIComponent(probeId).replaceAll('.', '%2E').replaceAll('*', '%2A'));
  }

  private file(probeId: string, dayMs: number, kind: 'raw' | 'day'): string {
    return path.join(this.home(probeId), `${dayText(dayMs)}.${kind}`);
  }
}

const keyOf = (probeId: string, dayMs: number): string => `${probeId} ${dayMs}`;
const dayText = (dayMs: number): string => new Date(dayMs).toISOString().slice(0, 10);

function byDay(points: readonly Point[]): Map<number, Point[]> {
  const days = new Map<number, Point[]>();
  for (const point of points) {
    const dayMs = Math.floor(point[0] / DAY_MS) * DAY_MS;
    const list = days.get(dayMs);
    if (list) list.push(point);
    else days.set(dayMs, [point]);
  }
  return days;
}

const mean = ({ fromMs, meanC }: Summary, stretchMs: number): Reading => ({ atMs: fromMs + stretchMs / 2, bathC: Math.round(meanC * 100) / 100 });

function writeForced(file: string, bytes: Buffer): void {
  writeFileSync(file, bytes);
  const fd = openSync(file, 'r+');
  fsyncSync(fd);
  closeSync(fd);
}
