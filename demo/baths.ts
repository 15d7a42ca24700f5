import { figureOf, measured } from '@/core/figure';
import type { KeptFact } from '@/core/liquor/act';
import { spoilByMs } from '@/core/liquor/liquor';
import { bathsLeft } from '@/core/run/bathsLeft';
import { foldRun } from '@/core/run/fold';
import type { App } from '@/server/app';
import { addBathAct } from '@/server/baths';
import { runView } from '@/server/runs';
import { addLiquor } from '@/server/shelf';

const DAY = 86_400_000;

/** What stands in the shed: what the weld session left, a master pot that is drawn from, an alum bath, and the jug for what goes to the collection. */
export async function shedBaths(at: (ms: number) => App, nowMs: number): Promise<void> {
  const plain = { ph: null, place: 'shed, left door', uses: 0, labelled: true, note: '', from: null } as const;
  const act = (id: string, liquorId: string, ms: number, fact: KeptFact) => addBathAct(at(ms), liquorId, { id, fact });
  const litres = (l: number) => measured(l * 1000);

  const weldMs = nowMs - 3 * DAY;
  const { plan, events } = await runView(at(nowMs), 'run-weld');
  const left = bathsLeft(plan, foldRun(plan.steps, events), nowMs).find(({ dyestuffId, loads }) => dyestuffId !== null && loads > 0);
  const madeAtMs = left ? Math.round(left.doneAtMs) : weldMs - 3 * DAY;
  await addLiquor(at(weldMs), {
    ...plain,
    id: 'weld-second',
    name: 'Weld, after the skeins',
    dyestuffId: 'weld',
    volumeMl: left ? figureOf(left.volumeMl.state === 'unknown' || left.volumeMl.state === 'between' ? null : left.volumeMl.value, 'estimated') : litres(3.6),
    ph: 6.5,
    madeAtMs,
    keptIn: 'fridge',
    uses: left?.loads ?? 1,
    spoilByMs: nowMs + 2 * DAY,
    from: left ? { runId: 'run-weld', stepId: left.stepId } : null,
  });
  await act('weld-read', 'weld-second', weldMs, { kind: 'read', ph: 6.5, mL: 3600 });
  await act('weld-sample', 'weld-second', weldMs + DAY, { kind: 'used', what: 'a test strip', fibreG: measured(4) });

  const potMs = nowMs - 6 * DAY;
  await addLiquor(at(potMs), {
    ...plain,
    id: 'dock-pot',
    name: 'Dock root, master pot',
    dyestuffId: 'dockRoot',
    volumeMl: { state: 'unknown' },
    madeAtMs: potMs,
    keptIn: 'fridge',
    spoilByMs: spoilByMs(potMs, 'fridge', null),
    note: '500 g of roots, drawn three times with 3 L.',
  });
  for (const [i, l] of [3, 2.6, 2.4].entries())
    await act(`dock-draw-${i + 1}`, 'dock-pot', potMs + i * DAY, { kind: 'pouredIn', what: 'dock root', mL: litres(l), draw: i + 1 });
  await act('dock-read', 'dock-pot', potMs + 2 * DAY, { kind: 'read', ph: 5.8, mL: null });
  for (const [i, what] of ['trial on linen', 'trial on hemp', 'trial on silk'].entries())
    await act(`dock-portion-${i + 1}`, 'dock-pot', potMs + (3 + i) * DAY, { kind: 'drawn', what, mL: litres(1.5), toId: null });

  const alumMs = nowMs - 2 * DAY;
  await addLiquor(at(alumMs), {
    ...plain,
    id: 'alum-bath',
    name: 'Alum bath, once used',
    dyestuffId: null,
    volumeMl: litres(4),
    madeAtMs: alumMs,
    keptIn: 'room',
    uses: 1,
    spoilByMs: null,
  });
  await act('alum-in', 'alum-bath', alumMs, { kind: 'put', substance: 'alum', amount: { state: 'between', least: 4, most: 7 }, unit: 'g' });

  const jugMs = nowMs - 20 * DAY;
  await addLiquor(at(jugMs), {
    ...plain,
    id: 'copper-jug',
    name: 'Jug for the collection',
    dyestuffId: null,
    volumeMl: { state: 'unknown' },
    madeAtMs: jugMs,
    keptIn: 'room',
    place: 'shed, floor, out of reach',
    spoilByMs: null,
    note: 'Copper and its rinse. Handed in when full.',
  });
  await act('copper-in', 'copper-jug', jugMs + DAY, {
    kind: 'pouredIn',
    what: 'copper rinse',
    mL: litres(1.2),
    draw: null,
    brings: [{ substance: 'copperSulfate', amount: measured(0.6), unit: 'g' }],
  });
}
