import { expect, test } from 'vitest';
import { NO_PAST } from '../bath/past';
import { WAYS } from '../method/data/ways';
import { LIBRARY, METHODS } from '../method/library';
import { amountOf } from '../plan/plan';
import { draft, home, SATURDAY_9, vessels, wool } from '../plan/plan.fixture';
import { planHere } from '../plan/planHere';
import { STARTER } from '../shelf/library';
import { trialPreview } from './preview';
import { IRON, MORDANTS, STRENGTHS } from './trial.fixture';

const way = WAYS.find(({ id }) => id === 'scour-to-dye') as (typeof WAYS)[number];
const kitchen = {
  vessels,
  home,
  methods: METHODS,
  dyestuffs: STARTER.dyestuffs,
  assistants: STARTER.assistants,
  mordants: {},
  liquors: [],
  labels: {},
  others: [],
  ownDyes: [],
  pots: [],
  past: NO_PAST,
};
const asked = { factors: [MORDANTS, IRON], design: 'full', repeats: 1, lotId: 'a', pieceG: 5, dyestuffId: 'weld' } as const;
const preview = (more: Partial<Parameters<typeof trialPreview>[0]> = {}) =>
  trialPreview({ ...asked, ...more }, way, [wool('a', 200)], (id) => LIBRARY.find(id));

const inThisKitchen = (planned: ReturnType<typeof preview>) => {
  const lots = planned?.lots ?? [];
  const ids = lots.map(({ id }) => id);
  return planHere(draft(ids, { chain: planned?.chain ?? [] }), { ...kitchen, lots }, SATURDAY_9);
};

test('what is not cut yet can be planned: every piece a lot of its own weight, in one session', () => {
  const planned = preview();
  expect(planned?.lots).toHaveLength(6);
  expect(planned?.lots.every(({ dryWeightG }) => dryWeightG.state === 'estimated' && dryWeightG.value === 5)).toBe(true);
  const { plan, problems } = inThisKitchen(planned);
  expect(problems).toEqual([]);
  // 16 % of 10 g: a third of the pieces stand in it.
  const alum = plan?.steps.flatMap((step) => step.additions.filter(({ substance }) => substance === 'alum').map(amountOf));
  expect(alum).toEqual([1, 1.6]);
});

test('no lot, no weight, or more pieces than a session takes: nothing is claimed', () => {
  expect(preview({ lotId: null })).toBeNull();
  expect(preview({ lotId: 'gone' })).toBeNull();
  expect(preview({ pieceG: null })).toBeNull();
  expect(preview({ pieceG: 0 })).toBeNull();
  expect(preview({ repeats: 67 })).toBeNull();
});

test('several baths: each piece rests in the bath that it was dyed in, and the whole can be planned', () => {
  const planned = preview({ factors: [STRENGTHS, MORDANTS] });
  const { plan, problems } = inThisKitchen(planned);
  expect(problems).toEqual([]);
  const [dyed, rested] = (['dye', 'rest'] as const).map((kind) =>
    plan?.steps.filter((step) => step.kind === kind).map(({ lotIds, bathId }) => [bathId, lotIds]),
  );
  expect(dyed).toHaveLength(3);
  expect(rested).toEqual(dyed);
});
