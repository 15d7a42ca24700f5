import { seededChance } from '@/core/chance';
import { estimatedUaWPerK, holdingW } from '@/core/heat/pot';
import { wattUnder } from '@/core/kitchen/home';
import type { Draft } from '@/core/plan/draft';
import type { Phase } from '@/core/plan/phase';
import type { Plan, PlanStep } from '@/core/plan/plan';
import { type Acted, actOut } from '@/core/rehearse/actOut';
import { wallTime, zonedMs } from '@/core/time/zone';
import { homeOf, setSimPot } from '@/server/kitchen';
import { addEntry } from '@/server/lots';
import { recordEvent } from '@/server/runs';
import { createSession, preview } from '@/server/sessions';
import { type At, chainOf, draftOf, play } from './play';
import { seeInJar } from './results';

/** The room of the simulated pots. */
const ROOM_C = 20;
const MIN = 60_000;
const HOUR = 60 * MIN;
const DAY = 24 * HOUR;

/** What is under way whenever the demo begins: a pot in its band, one heating up, one resting, and a jar. */
export async function liveSessions(at: At, nowMs: number): Promise<void> {
  await jarOnTheSill(at, nowMs);
  await restingPot(at, nowMs);
  await birchOnSilk(at, nowMs);
  await warpHeatingUp(at, nowMs);
}

interface Wanted {
  readonly kind: PlanStep['kind'];
  readonly phase: Phase['kind'];
  /** How long that phase has lasted by now, min. */
  readonly sinceMin: number;
}

/** The plan whose dyer, acted out with this seed, entered a phase so long ago: it is begun earlier or later until that is so. */
async function planAt(at: At, nowMs: number, draft: (startMs: number) => Draft, { kind, phase, sinceMin }: Wanted, seed: number): Promise<Draft> {
  let startMs = nowMs - 3 * HOUR;
  for (let tries = 0; tries < 8; tries++) {
    const { plan } = await preview(at(startMs), draft(startMs));
    if (!plan) throw new Error(`the demo cannot plan ${draft(startMs).name}`);
    const enteredMs = enteredOf(plan, kind, phase, actOut(plan, {}, seededChance(seed), Number.POSITIVE_INFINITY));
    const off = nowMs - sinceMin * MIN - enteredMs;
    if (Math.abs(off) < 20_000) return draft(startMs);
    startMs += Math.round(off / 1000) * 1000;
  }
  return draft(startMs);
}

function enteredOf(plan: Plan, kind: PlanStep['kind'], phase: Phase['kind'], { acts }: Acted): number {
  const step = plan.steps.find((one) => one.kind === kind);
  const index = step?.phases.findIndex((one) => one.kind === phase) ?? -1;
  const entered = acts.find(({ fact }) => fact.type === 'phaseEntered' && fact.stepId === step?.id && fact.phaseIndex === index);
  if (!entered) throw new Error(`the demo has no ${phase} of a ${kind} step`);
  return entered.atMs;
}

/** Birch leaf on silk: in its band for a while, and to be stirred in a moment. */
async function birchOnSilk(at: At, nowMs: number): Promise<void> {
  const chain = chainOf([
    ['alum-16', null, { lowC: 70, highC: 80, ceilingC: 85 }],
    ['extract-fresh', 'birchLeaf'],
    ['strain'],
    ['dyebath'],
    ['rest-overnight'],
    ['rinse'],
    ['dry'],
  ]);
  const draft = (startMs: number) =>
    draftOf('Birch leaf on silk noil', startMs, ['noil'], chain, { 'c1-mordant': 'enamel', 'c2-extract': 'steel', 'c4-dye': 'steel' });
  const found = await planAt(at, nowMs, draft, { kind: 'dye', phase: 'hold', sinceMin: 17 }, 23);
  const plan = await createSession(at(found.startMs - HOUR), { id: 'birch-noil', draft: found });
  await goOn(at, nowMs, plan, await play(at, plan, 'run-birch', {}, 23, nowMs, false), 'hold');
}

/** Hemp in its scour, on the other plate: warm, and still some way to go. */
async function warpHeatingUp(at: At, nowMs: number): Promise<void> {
  const chain = chainOf([['scour-cellulose', null, { sodaPct: 2 }], ['rinse'], ['dry']]);
  const draft = (startMs: number) => draftOf('Hemp warp, scoured', startMs, ['warp'], chain, { 'c1-scour': 'enamel' });
  const found = await planAt(at, nowMs, draft, { kind: 'scour', phase: 'raise', sinceMin: 9 }, 5);
  const plan = await createSession(at(found.startMs - HOUR), { id: 'hemp-warp', draft: found });
  await goOn(at, nowMs, plan, await play(at, plan, 'run-warp', {}, 5, nowMs, false), 'raise');
}

/** Alder cones on wool: the heat is off, the skeins stay in the liquor. */
async function restingPot(at: At, nowMs: number): Promise<void> {
  await addEntry(at(nowMs - 6 * DAY), 'singles', {
    id: 'hand-singles-mordant',
    kind: 'mordant',
    certainty: 'known',
    substance: 'potash alum',
    wofPct: { state: 'measured', value: 12 },
    atMs: nowMs - 6 * DAY,
    part: null,
    note: 'All four skeins in the big pot.',
  });
  const chain = chainOf([['extract-dried', 'alderCones', { ratio: 1 }], ['strain'], ['dyebath'], ['rest-overnight'], ['rinse'], ['dry']]);
  const draft = (startMs: number) => draftOf('Alder cones on blanket singles', startMs, ['singles'], chain, { 'c1-extract': 'big', 'c3-dye': 'big' });
  const found = await planAt(at, nowMs, draft, { kind: 'rest', phase: 'rest', sinceMin: 110 }, 31);
  const plan = await createSession(at(found.startMs - HOUR), { id: 'alder-singles', draft: found });
  await goOn(at, nowMs, plan, await play(at, plan, 'run-alder', {}, 31, nowMs, false), 'rest');
}

/** Lightness of the scarf, looked at each evening; the second evening was missed. */
const JAR_DAYS: readonly (string | null)[] = ['#d9cdb4', null, '#b09fae', '#8f7c98'];

/** Hollyhock petals in the sun, on day four. */
async function jarOnTheSill(at: At, nowMs: number): Promise<void> {
  const { zone } = (await homeOf(at(nowMs))).diary;
  const wall = wallTime(nowMs, zone);
  const startMs = zonedMs(zone, wall.year, wall.month, wall.day - JAR_DAYS.length, Math.min(wall.hour, 10));
  await addEntry(at(startMs - HOUR), 'scarf', {
    id: 'hand-scarf-mordant',
    kind: 'mordant',
    certainty: 'noneOnPurpose',
    substance: null,
    wofPct: { state: 'unknown' },
    atMs: null,
    part: null,
    note: 'To see what the petals do alone.',
  });
  const chain = chainOf([['wet-out'], ['solar-jar', 'hollyhock', { ratio: 1.5 }], ['dry']]);
  const plan = await createSession(at(startMs - HOUR), {
    id: 'petal-scarf',
    draft: draftOf('Hollyhock jar, silk scarf', startMs, ['scarf'], chain, { 'c2-solar': 'tall' }),
  });
  await play(at, plan, 'run-jar', {}, 41, nowMs, false);
  const jar = plan.steps.find(({ kind }) => kind === 'solar');
  for (const [i, hex] of JAR_DAYS.entries()) {
    const atMs = startMs + (i + 1) * DAY - 2 * HOUR;
    if (!hex || !jar) continue;
    await seeInJar(at, `jar-day-${i + 1}`, hex, atMs, { runId: 'run-jar', stepId: jar.id });
    // A picture of what steeps is the look that was called for: the stove logs both.
    await recordEvent(at(atMs), 'run-jar', { id: `run-jar-look-${i + 1}`, type: 'checked', stepId: jar.id, finding: '', atMs });
  }
}

/** The stand-in for each probe goes on from where the curve stands: held, heated on as before, or left to cool. */
async function goOn(at: At, nowMs: number, plan: Plan, { readings }: Acted, how: 'hold' | 'raise' | 'rest'): Promise<void> {
  for (const [vesselId, curve] of Object.entries(readings)) {
    const last = curve.at(-1);
    if (!last) continue;
    const isLive = nowMs - last.atMs < MIN;
    const litres = (plan.steps.find((step) => step.vesselId === vesselId)?.fit?.filledMl ?? 4000) / 1000;
    const perMin = how === 'raise' && curve.length > 6 ? (last.bathC - (curve.at(-7)?.bathC ?? last.bathC)) / 2 : 0;
    await setSimPot(
      at(nowMs),
      vesselId,
      {
        on: isLive,
        burner: isLive && how !== 'rest' ? knobFor(last.bathC, perMin, litres, vesselId, plan) : 0,
        lid: true,
        litres: Math.round(litres * 10) / 10,
        factor: 1,
      },
      last.bathC,
    );
  }
}

/** The knob, in tenths, at which a pot keeps its heat, or warms as fast as it did. */
function knobFor(bathC: number, perMin: number, filledL: number, vesselId: string, { vessels, home }: Plan): number {
  const vessel = vessels.find((one) => one.id === vesselId);
  const maxW = wattUnder(home, vessel);
  if (!vessel?.litres || !maxW) return 0;
  const pot = { litres: vessel.litres, uaWPerK: estimatedUaWPerK(vessel.litres, true), roomC: ROOM_C, boilC: 100 };
  const watt = holdingW(pot, bathC) + (perMin / 60) * filledL * 4186;
  return Math.min(10, Math.round((watt / maxW) * 100) / 10);
}
