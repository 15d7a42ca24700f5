import type { BathView } from '@/contract/baths';
import { type Balance, balanceOf, carriedFrom } from '@/core/bath/balance';
import type { Band } from '@/core/chem/band';
import { knownOf, oneOf, sumFigures } from '@/core/figure';
import type { KeptAct } from '@/core/liquor/act';
import { foldKept, type KeptBath, NO_ORIGIN, type Origin, type RunTake, type RunUse, type Transfer } from '@/core/liquor/keptBath';
import type { Liquor } from '@/core/liquor/liquor';
import type { Plan } from '@/core/plan/plan';
import { bathActs } from '@/core/run/bathActs';
import type { RunState } from '@/core/run/fold';
import { weightOf } from '@/core/run/weightOf';
import type { Shelf } from '@/core/shelf/lookup';
import { listBathActs } from '@/store/baths';
import { eventsOfRuns, plansOfRuns } from '@/store/runs';
import { liquors } from '@/store/shelf';
import type { App } from './app';
import { byVersion, findUses, standingOf } from './liquorUses';
import { seenHexes } from './lots';
import { wholeShelf } from './shelf';

/** One kept bath with all that is known of it. */
export interface KnownBath {
  readonly liquor: Liquor;
  readonly bath: KeptBath;
  /** The same with the goods' share at one end of its range. */
  readonly balanceAt: (end: keyof Band) => Balance;
  readonly acts: readonly KeptAct[];
  /** The first goods that were dyed in it: in the session that left it, or the first after; `hex` as it was read dry. */
  readonly first: FirstLoad | null;
  readonly plannedIn: BathView['plannedIn'];
  readonly plants: Origin['plants'];
}

/** All kept baths with what became of them: a fixed number of queries for any number of them. */
export async function knownBaths(app: App, wanted: readonly Liquor[]): Promise<{ known: KnownBath[]; shelf: Shelf }> {
  const { db } = app.store;
  const shelf = await wholeShelf(app);
  if (wanted.length === 0) return { known: [], shelf };
  const acts = await listBathActs(db);
  const names = new Map((await liquors.all(db)).map((one) => [one.id, one]));
  const involved = withSources(wanted, acts, names);
  const { found, takes, plannedIn } = await usesOf(app, involved);
  const origins = await originsOf(app, involved);
  const hexes = await seenHexes(db, [
    ...new Set([...found.flatMap(({ lots }) => lots.map(({ id }) => id)), ...[...origins.values()].flatMap(({ first }) => first?.lotIds ?? [])]),
  ]);
  const uses = new Map<string, RunUse[]>();
  for (const { liquorId, ...use } of found)
    uses.set(liquorId, [...(uses.get(liquorId) ?? []), { ...use, lots: use.lots.map((lot) => ({ ...lot, hex: hexes.get(lot.id) ?? null })) }]);
  const own = new Map<string, KeptAct[]>();
  for (const act of acts) own.set(act.liquorId, [...(own.get(act.liquorId) ?? []), act]);
  const isPlant = (substance: string): boolean => shelf.dyestuff(substance) !== undefined;
  const fold = (liquor: Liquor, untilMs: number, depth: number, end: keyof Band = 'likely', but?: KeptAct): KeptBath =>
    foldKept(
      liquor,
      {
        acts: (own.get(liquor.id) ?? []).filter((act) => act.atMs <= untilMs && act !== but),
        runs: (uses.get(liquor.id) ?? []).filter(({ atMs }) => atMs <= untilMs),
        takes: takes.filter(({ liquorId, atMs }) => liquorId === liquor.id && atMs <= untilMs),
        transfers: transfersTo(liquor, untilMs, depth),
        origin: origins.get(liquor.id)?.origin ?? NO_ORIGIN,
        isPlant,
      },
      end,
    );
  const transfersTo = (liquor: Liquor, untilMs: number, depth: number): Transfer[] =>
    acts.flatMap((act): Transfer[] => {
      const { fact, liquorId, atMs, withdrawn } = act;
      const source = names.get(liquorId);
      if (withdrawn || fact.kind !== 'drawn' || fact.toId !== liquor.id || atMs > untilMs || !source) return [];
      // What it carries is what its source held just before; a circle of jars ends here.
      const carries = depth <= 0 ? [] : carriedFrom(fold(source, atMs, depth - 1, 'likely', act).balance);
      return [{ atMs, from: source.name, mL: fact.mL, carries }];
    });
  return {
    shelf,
    known: wanted.map((liquor) => ({
      liquor,
      bath: fold(liquor, Number.POSITIVE_INFINITY, MOST_SOURCES),
      balanceAt: (end) => fold(liquor, Number.POSITIVE_INFINITY, MOST_SOURCES, end).balance,
      acts: own.get(liquor.id) ?? [],
      first: firstOf(origins.get(liquor.id)?.first ?? null, uses.get(liquor.id) ?? [], hexes),
      plannedIn: plannedIn.get(liquor.id) ?? [],
      plants: origins.get(liquor.id)?.origin.plants ?? [],
    })),
  };
}

const MOST_SOURCES = 6;

/** These baths and all that something was drawn from on its way to them. */
function withSources(wanted: readonly Liquor[], acts: readonly KeptAct[], all: ReadonlyMap<string, Liquor>): Liquor[] {
  const found = new Map(wanted.map((one) => [one.id, one]));
  for (let grew = true; grew; ) {
    grew = false;
    for (const { fact, liquorId } of acts) {
      const source = all.get(liquorId);
      if (fact.kind !== 'drawn' || fact.toId === null || !source || found.has(liquorId) || !found.has(fact.toId)) continue;
      found.set(liquorId, source);
      grew = true;
    }
  }
  return [...found.values()];
}

type Found = Omit<RunUse, 'lots'> & { readonly liquorId: string; readonly lots: readonly { readonly id: string; readonly name: string }[] };

async function usesOf(
  { store: { db } }: App,
  wanted: readonly Liquor[],
): Promise<{ found: Found[]; takes: (RunTake & { readonly liquorId: string })[]; plannedIn: Map<string, BathView['plannedIn']> }> {
  const { uses, takes, plans, runs } = await findUses(
    db,
    wanted.map(({ id }) => id),
  );
  const found = uses.map(({ run, plan, lotIds, ...use }): Found => {
    const nameOf = (id: string): string => plan.lots.find((lot) => lot.id === id)?.name ?? 'a lot';
    return { ...use, runId: run.id, session: plan.name, lots: lotIds.map((id) => ({ id, name: nameOf(id) })) };
  });
  return {
    found,
    takes: takes.map(({ plan, liquorId, atMs, mL }) => ({ liquorId, atMs, mL, session: plan.name })),
    plannedIn: plannedWith(plans, new Set(runs.map(({ sessionId }) => sessionId))),
  };
}

/** By bath: sessions that want it and were not begun. */
function plannedWith(plans: readonly Plan[], begun: ReadonlySet<string>): Map<string, BathView['plannedIn']> {
  const latest = new Map<string, Plan>();
  for (const plan of plans) if (plan.version >= (latest.get(plan.sessionId)?.version ?? 0)) latest.set(plan.sessionId, plan);
  const planned = new Map<string, BathView['plannedIn']>();
  for (const { sessionId, name, steps } of latest.values())
    for (const id of begun.has(sessionId) ? [] : new Set(steps.flatMap(({ liquorId }) => liquorId ?? [])))
      planned.set(id, [...(planned.get(id) ?? []), { sessionId, name }]);
  return planned;
}

export interface FirstLoad {
  readonly fibreG: number | null;
  readonly hex: string | null;
}
interface Left {
  readonly origin: Origin;
  readonly first: { readonly fibreG: number | null; readonly lotIds: readonly string[] } | null;
}

function firstOf(left: Left['first'], uses: readonly RunUse[], hexes: ReadonlyMap<string, string>): FirstLoad | null {
  if (left) return { fibreG: left.fibreG, hex: left.lotIds.map((id) => hexes.get(id)).find((hex) => hex !== undefined) ?? null };
  const [use] = uses.toSorted((a, b) => a.atMs - b.atMs);
  return use ? { fibreG: use.fibreG, hex: use.lots.find(({ hex }) => hex !== null)?.hex ?? null } : null;
}

/** What was in them when they were kept, and what had been dyed in them, by the log of the run that left them. */
async function originsOf({ store: { db } }: App, wanted: readonly Liquor[]): Promise<Map<string, Left>> {
  const from = wanted.flatMap(({ id, from, madeAtMs }) => (from ? [{ id, ...from, madeAtMs }] : []));
  if (from.length === 0) return new Map();
  const runIds = [...new Set(from.map(({ runId }) => runId))];
  const { runs, plans } = await plansOfRuns(db, runIds);
  const events = await eventsOfRuns(db, runIds);
  const versions = byVersion(plans);
  return new Map(
    from.flatMap(({ id, runId, stepId, madeAtMs }) => {
      const run = runs.find((one) => one.id === runId);
      const at = run && standingOf(run, versions, events.get(runId) ?? []);
      return at ? [[id, leftBy(at.plan, at.state, stepId, madeAtMs)] as const] : [];
    }),
  );
}

function leftBy(plan: Plan, state: RunState, stepId: string, madeAtMs: number): Left {
  const bathId = plan.steps.find((step) => step.id === stepId)?.bathId ?? stepId;
  const acts = bathActs(plan, state, bathId, madeAtMs);
  const at = (end: keyof Band) => balanceOf(acts, end);
  const dyed = plan.steps.find((step) => step.treatment === 'dye' && step.bathId === bathId && state.steps[step.id]?.status === 'done');
  return {
    origin: {
      plants: at('likely').solutes.flatMap(({ substance, inAmount, unit, isMatter }) => (isMatter ? [{ substance, amount: inAmount, unit }] : [])),
      carries: { low: carriedFrom(at('low')), likely: carriedFrom(at('likely')), high: carriedFrom(at('high')) },
    },
    first: dyed ? { fibreG: oneOf(knownOf(sumFigures(dyed.lotIds.map((id) => weightOf(plan, state, id))))), lotIds: dyed.lotIds } : null,
  };
}
