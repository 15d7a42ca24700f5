import { curveBumpY, line } from 'd3-shape';
import { UNDYED_HEX } from '@/core/colour/undyed';
import { knownText } from '@/core/figure';
import { KEPT_BATH } from '@/core/liquor/liquor';
import { printDuration } from '@/core/measure/print';
import type { Printer } from '@/core/measure/printer';
import type { StepKind } from '@/core/method/method';
import { isHeated, lengthText } from '@/core/plan/phase';
import { type Plan, type PlannedAmount, type PlanStep, plannedKnown } from '@/core/plan/plan';
import type { Window } from '@/core/schedule/diary';
import { wallTime } from '@/core/time/zone';
import { letterOf, type Strand, strandsOf } from './strands';
import { type TimeScale, timeScale } from './timeScale';

export interface WarpBlock {
  readonly stepId: string;
  readonly kind: StepKind;
  /** One or two lines, as fit beside the threads. */
  readonly title: string;
  readonly titleLines: readonly string[];
  readonly lines: readonly string[];
  readonly xPx: number;
  readonly yPx: number;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly textWidthPx: number;
  readonly heat: readonly { readonly yPx: number; readonly heightPx: number }[];
  readonly handsYPx: readonly number[];
  /** In a record: where the plan had it. */
  readonly plannedYPx: { readonly yPx: number; readonly heightPx: number } | null;
  readonly state: 'planned' | 'done' | 'running' | 'skipped';
}

export interface WarpThread {
  /** Of its first lot: a thread of many lots has one place. */
  readonly lotId: string;
  readonly letter: string;
  readonly names: readonly string[];
  /** Where its letter stands; null where threads hang too close for letters. */
  readonly tag: Point | null;
  /** Between blocks, drawn behind them so that no text is crossed. */
  readonly between: readonly { readonly points: readonly Point[]; readonly hex: string }[];
  /** Inside blocks, drawn on top, from one colour to the other. */
  readonly inside: readonly {
    readonly key: string;
    readonly xPx: number;
    readonly fromPx: number;
    readonly toPx: number;
    readonly fromHex: string;
    readonly toHex: string;
  }[];
}

type Point = readonly [number, number];

export interface WarpPicture {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly columns: readonly { readonly id: string; readonly name: string; readonly detail: string; readonly xPx: number }[];
  readonly blocks: readonly WarpBlock[];
  readonly threads: readonly WarpThread[];
  readonly pleats: readonly { readonly key: string; readonly yPx: number; readonly heightPx: number; readonly text: string; readonly opened: boolean }[];
  readonly bands: readonly { readonly yPx: number; readonly heightPx: number }[];
  readonly hours: readonly { readonly yPx: number; readonly textYPx: number; readonly text: string; readonly isNewDay: boolean }[];
  readonly nowYPx: number | null;
}

export const AXIS_PX = 84;
export const HEAD_PX = 66;
const LEAST_COLUMN_PX = 172;
const MOST_COLUMN_PX = 260;
const BLOCK_GAP_PX = 22;
const LINE_PX = 16;
const STITCH_PX = 16;
const THREAD_GAP_PX = 11;
/** Closer than this, letters would cover each other. */
const LETTER_GAP_PX = 10;
/** Threads take no more of a block than this. */
const THREADS_SHARE = 0.6;
const HOUR = 3_600_000;

/** Times of a step that really happened, in place of the planned ones. */
export interface Actual {
  readonly startMs: number;
  readonly endMs: number;
  readonly heat: readonly Window[];
  readonly hands: readonly number[];
  readonly state: WarpBlock['state'];
}

export interface WarpOptions {
  readonly print: Printer;
  readonly opened: ReadonlySet<string>;
  readonly nowMs: number | null;
  readonly roomPx: number;
  readonly actual?: Readonly<Record<string, Actual>>;
}

/** Places everything of a warp: pure, so that it can be tested without a browser. */
export function warpLayout(plan: Plan, options: WarpOptions): WarpPicture {
  const timed = plan.steps.map((step) => timedStep(step, options.actual?.[step.id]));
  const shown = timed.filter((t) => t.state !== 'skipped');
  const scale = timeScale({
    blocks: [
      ...shown.map((t) => ({ fromMs: t.startMs, toMs: t.endMs })),
      ...(options.actual ? plan.steps.map((s) => ({ fromMs: s.startMs, toMs: s.endMs })) : []),
    ],
    attended: shown.flatMap((t) => t.attended),
    opened: options.opened,
  });
  const columnPx = Math.min(MOST_COLUMN_PX, Math.max(LEAST_COLUMN_PX, Math.floor((options.roomPx - AXIS_PX - 8) / Math.max(1, plan.vessels.length))));
  const columns = plan.vessels.map((vessel, i) => ({
    id: vessel.id,
    name: vessel.litres === null ? vessel.name : `${vessel.name} ${vessel.litres} L`,
    xPx: AXIS_PX + i * columnPx,
    detail: plan.home.heatSources.find((source) => source.id === vessel.heatSourceId)?.name ?? 'no heat',
  }));
  const y = (ms: number) => HEAD_PX + scale.yOf(ms);
  const columnX = (vesselId: string | null) => columns.find((column) => column.id === vesselId)?.xPx ?? AXIS_PX;
  const strands = strandsOf(plan);
  const gapPx = Math.min(THREAD_GAP_PX, ((columnPx - BLOCK_GAP_PX) * THREADS_SHARE) / Math.max(1, strands.length));
  const threadRoom = (step: PlanStep) => {
    const first = strands.findIndex(([lot]) => step.lotIds.includes(lot.id));
    return first < 0 ? 0 : (strands.length - first) * gapPx + 8;
  };
  const blocks = shown.map((t): WarpBlock => {
    const [top, bottom] = [y(t.startMs), y(t.endMs)];
    const widthPx = columnPx - BLOCK_GAP_PX;
    const heightPx = Math.max(22, bottom - top - 3);
    const textWidthPx = widthPx - STITCH_PX - 14 - threadRoom(t.step);
    const titleLines = wrapTitle(t.step.title, textWidthPx, heightPx >= 44);
    return {
      stepId: t.step.id,
      kind: t.step.kind,
      title: t.step.title,
      titleLines,
      xPx: columnX(t.step.vesselId) + 8,
      yPx: top,
      widthPx,
      heightPx,
      textWidthPx,
      lines: keyFigures(t.step, options.print)
        .slice(0, Math.max(0, Math.floor((heightPx - 8 - 17 * titleLines.length) / LINE_PX)))
        .map((text) => fitted(text, textWidthPx + 6)),
      heat: t.heat.map((window) => ({ yPx: y(window.fromMs), heightPx: Math.max(2, y(window.toMs) - y(window.fromMs)) })),
      handsYPx: spread(t.hands.map(y)),
      plannedYPx: t.isActual ? { yPx: y(t.step.startMs), heightPx: Math.max(4, y(t.step.endMs) - y(t.step.startMs) - 3) } : null,
      state: t.state,
    };
  });
  return {
    widthPx: AXIS_PX + columns.length * columnPx + 8,
    heightPx: HEAD_PX + scale.heightPx + 26,
    columns,
    blocks,
    threads: strands.map((strand, i) => thread(plan, strand, i, strands.length, gapPx, blocks)),
    pleats: scale.pleats.map((pleat) => ({
      key: pleat.key,
      yPx: HEAD_PX + pleat.topPx,
      heightPx: pleat.heightPx,
      opened: pleat.opened,
      text: pleatText(pleat, plan),
    })),
    bands: plan.absences.map((gap) => ({ yPx: y(gap.fromMs), heightPx: y(gap.toMs) - y(gap.fromMs) })).filter((band) => band.heightPx > 1),
    hours: hourMarks(
      scale,
      plan,
      shown.map((t) => t.startMs),
      options.print,
    ),
    nowYPx:
      options.nowMs !== null && options.nowMs > Math.min(...shown.map((t) => t.startMs)) && options.nowMs < Math.max(...shown.map((t) => t.endMs))
        ? y(options.nowMs)
        : null,
  };
}

/** About how wide a bold letter of 14 px runs. */
const LETTER_PX = 7.4;

/** About how wide a plain letter of 13 px runs. */
const SMALL_LETTER_PX = 6.5;

/** A line that is too long ends in dots instead of in the middle of a letter. */
function fitted(text: string, widthPx: number): string {
  const most = Math.max(6, Math.floor(widthPx / SMALL_LETTER_PX));
  return text.length <= most ? text : `${text.slice(0, most - 1).trimEnd()}…`;
}

function wrapTitle(title: string, widthPx: number, twoFit: boolean): string[] {
  const most = Math.max(6, Math.floor(widthPx / LETTER_PX));
  if (title.length <= most) return [title];
  const cut = title.lastIndexOf(' ', most);
  if (!twoFit || cut <= 0) return [`${title.slice(0, most - 1).trimEnd()}…`];
  const rest = title.slice(cut + 1);
  return [title.slice(0, cut), rest.length <= most ? rest : `${rest.slice(0, most - 1).trimEnd()}…`];
}

interface Timed {
  readonly step: PlanStep;
  readonly startMs: number;
  readonly endMs: number;
  readonly heat: readonly Window[];
  readonly hands: readonly number[];
  readonly attended: readonly Window[];
  readonly state: WarpBlock['state'];
  readonly isActual: boolean;
}

function timedStep(step: PlanStep, actual: Actual | undefined): Timed {
  if (actual) {
    const around = actual.hands.map((ms) => ({ fromMs: ms - 5 * 60_000, toMs: ms + 5 * 60_000 }));
    return { step, ...actual, attended: [...actual.heat, ...around], isActual: true };
  }
  const heat: Window[] = [];
  const hands: number[] = [];
  const attended: Window[] = [];
  step.phases.forEach((phase, i) => {
    const at = step.phaseTimes[i];
    if (!at) return;
    if (isHeated(phase)) {
      const last = heat.at(-1);
      if (last && last.toMs === at.fromMs) heat[heat.length - 1] = { fromMs: last.fromMs, toMs: at.toMs };
      else heat.push(at);
    }
    if (phase.kind === 'charge' || phase.kind === 'lift' || phase.kind === 'dip') hands.push(at.fromMs);
    if (phase.kind !== 'soak' && phase.kind !== 'rest' && phase.kind !== 'until') attended.push(at);
  });
  return { step, startMs: step.startMs, endMs: step.endMs, heat, hands, attended, state: 'planned', isActual: false };
}

/** Marks never cover each other: each is moved down to clear the one above. */
function spread(places: readonly number[]): number[] {
  const apart: number[] = [];
  for (const place of [...places].sort((a, b) => a - b)) apart.push(Math.max(place, (apart.at(-1) ?? -Infinity) + 19));
  return apart;
}

/** What must be read at a glance: temperature and time, then the main amounts. */
export function keyFigures(step: PlanStep, print: Printer): string[] {
  const lines: string[] = [];
  for (const phase of step.phases) {
    if (phase.kind === 'hold')
      lines.push(`${phase.minutes.open ? 'not set how long' : lengthText(phase.minutes)} at ${phase.bandC ? print.band(phase.bandC) : 'a heat nobody set'}`);
    if (phase.kind === 'rest') lines.push('heat off, rest');
    if (phase.kind === 'until') lines.push(`about ${lengthText(phase.minutes)}, by eye`);
    if (phase.kind === 'soak')
      lines.push(step.kind === 'dry' ? 'shade, spread' : phase.minutes.open ? 'soak, not set how long' : `soak ${lengthText(phase.minutes)}`);
    if (phase.kind === 'dip') lines.push(`${printDuration(phase.exactMin)}, exact`);
  }
  for (const addition of step.additions) {
    lines.push(`${plannedText(addition, print)} ${addition.name}`);
  }
  if (step.water) {
    lines.push(`${plannedText(step.water, print)} ${step.water.substance === KEPT_BATH ? 'of it' : 'water'}`);
  }
  return lines;
}

const plannedText = (amount: PlannedAmount, print: Printer): string => {
  const known = plannedKnown(amount);
  return known === null ? 'unknown:' : knownText(known, (value) => print.amount(value, amount.unit));
};

function thread(plan: Plan, strand: Strand, nth: number, count: number, gapPx: number, blocks: readonly WarpBlock[]): WarpThread {
  const [lot] = strand;
  const own = plan.steps
    .filter((step) => step.lotIds.includes(lot.id))
    .flatMap((step) => blocks.filter((block) => block.stepId === step.id))
    .sort((a, b) => a.yPx - b.yPx);
  const insideX = (block: WarpBlock) => block.xPx + block.widthPx - 12 - (count - 1 - nth) * gapPx;
  // Beside the block there is room for a few threads, not for dozens.
  const asidePx = Math.min(4, (BLOCK_GAP_PX - 8) / count);
  let hex = lot.baseHex ?? UNDYED_HEX;
  const inside: WarpThread['inside'][number][] = [];
  const between: WarpThread['between'][number][] = [];
  own.forEach((block, i) => {
    const x = insideX(block);
    const toHex = lot.expectedHex[block.stepId] ?? hex;
    inside.push({ key: `${lot.id}-${block.stepId}`, xPx: x, fromPx: block.yPx, toPx: block.yPx + block.heightPx, fromHex: hex, toHex });
    hex = toHex;
    const next = own[i + 1];
    const bottom = block.yPx + block.heightPx;
    if (!next) {
      between.push({
        points: [
          [x, bottom],
          [x, bottom + 12],
        ],
        hex,
      });
      return;
    }
    const nextX = insideX(next);
    if (nextX === x || next.yPx - bottom < 30 + nth * asidePx) {
      between.push({
        points: [
          [x, bottom],
          [nextX, next.yPx],
        ],
        hex,
      });
      return;
    }
    // It waits aside, so that whatever uses the vessel meanwhile is not crossed, and steps over just before it goes in.
    const asideX = block.xPx + block.widthPx + 4 + nth * asidePx;
    between.push({
      points: [
        [x, bottom],
        [asideX, bottom + 12],
        [asideX, next.yPx - 18 - nth * asidePx],
        [nextX, next.yPx],
      ],
      hex,
    });
  });
  const first = own[0];
  return {
    lotId: lot.id,
    letter: letterOf(nth),
    names: strand.map(({ name }) => name),
    inside,
    between,
    tag: gapPx < LETTER_GAP_PX ? null : first ? [insideX(first), first.yPx - 10] : [AXIS_PX, HEAD_PX],
  };
}

/** A thread through its points: straight down, and sideways in soft steps. */
export const threadPath = (points: readonly Point[]): string => hang(points as Point[]) ?? '';
const hang = line<Point>().curve(curveBumpY);

function pleatText(pleat: Window, plan: Plan): string {
  const { zone } = plan.home.diary;
  const length = printDuration((pleat.toMs - pleat.fromMs) / 60_000);
  const isNight = wallTime(pleat.fromMs, zone).day !== wallTime(pleat.toMs, zone).day;
  const isAway = plan.absences.some((gap) => gap.fromMs < pleat.toMs && gap.toMs > pleat.fromMs);
  return `${isNight ? 'night' : isAway ? 'away' : 'no hands needed'}, ${length} folded · heat off`;
}

function hourMarks(scale: TimeScale, plan: Plan, starts: readonly number[], print: Printer): WarpPicture['hours'] {
  const marks: { yPx: number; textYPx: number; text: string; isNewDay: boolean }[] = [];
  const isFolded = (ms: number) => scale.pleats.some((pleat) => !pleat.opened && pleat.fromMs < ms && ms < pleat.toMs);
  const firstMs = Math.min(...starts);
  const lastMs = Math.max(...plan.steps.map((step) => step.endMs), firstMs);
  let lastDay = '';
  let lastY = -Infinity;
  const add = (ms: number) => {
    const yPx = HEAD_PX + scale.yOf(ms);
    if (isFolded(ms) || yPx - lastY < 34) return;
    const day = print.day(ms);
    // Just below a folded night the figure moves down, clear of the fold.
    const underFold = scale.pleats.some((pleat) => !pleat.opened && Math.abs(HEAD_PX + pleat.topPx + pleat.heightPx - yPx) < 8);
    marks.push({ yPx, textYPx: yPx + (underFold ? 11 : 4), text: day === lastDay ? print.clock(ms) : print.dayClock(ms), isNewDay: day !== lastDay });
    lastDay = day;
    lastY = yPx;
  };
  add(firstMs);
  const firstHour = Math.ceil(firstMs / HOUR) * HOUR;
  for (let ms = firstHour; ms <= lastMs && marks.length < 400; ms += HOUR) add(ms);
  return marks;
}
