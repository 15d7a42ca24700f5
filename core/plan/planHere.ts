import type { Past } from '../bath/past';
import type { Lot } from '../fibre/lot';
import type { Certainty } from '../fibre/passport';
import type { KnownPot } from '../heat/learnPot';
import type { Home } from '../kitchen/home';
import type { Vessel } from '../kitchen/vessel';
import type { Liquor } from '../liquor/liquor';
import { LIBRARY, methodBook } from '../method/library';
import type { Method } from '../method/method';
import type { Assistant } from '../shelf/assistant';
import type { Dyestuff } from '../shelf/dyestuff';
import { STARTER, shelfOf } from '../shelf/library';
import type { OwnDye } from '../swatch/ownDyes';
import { type BuiltPlan, buildPlan, type PlanInput } from './buildPlan';
import type { Draft } from './draft';
import { draftFaults } from './draftFaults';
import type { Stay } from './stays';

/** Everything a draft is planned with, as plain values that can be sent to a worker. */
export interface Kitchen {
  readonly lots: readonly Lot[];
  readonly vessels: readonly Vessel[];
  readonly home: Home;
  /** All that is offered, and the older versions that the draft names. */
  readonly methods: readonly Method[];
  readonly dyestuffs: readonly Dyestuff[];
  readonly assistants: readonly Assistant[];
  /** By lot: what its passport says of a mordant. */
  readonly mordants: Readonly<Record<string, Certainty>>;
  readonly liquors: readonly Liquor[];
  readonly labels: Readonly<Record<string, string>>;
  readonly others: readonly Stay[];
  readonly ownDyes: readonly OwnDye[];
  readonly pots: readonly KnownPot[];
  /** What other sessions left in the vessels and on the goods. */
  readonly past: Past;
}

/** The plan of a half-filled draft, for showing only: what is kept is planned again where it is stored. */
export function planHere(draft: Draft, kitchen: Kitchen, nowMs: number, fixed?: PlanInput['fixed']): BuiltPlan {
  const { methods, dyestuffs, assistants, ...rest } = kitchen;
  // The library is here already; what is not in it is the dyer's own.
  const book = methodBook(methods.filter((method) => !LIBRARY.find(method.id)));
  const own = {
    dyestuffs: dyestuffs.filter((stuff) => !STARTER.dyestuff(stuff.id)),
    assistants: assistants.filter((assistant) => !STARTER.assistant(assistant.id)),
  };
  const faults = draftFaults(draft, book, shelfOf(own));
  if (faults.length > 0) return { plan: null, problems: faults };
  return buildPlan(
    { ...rest, draft, methods: book, own, ...(fixed ? { fixed, nowMs } : {}) },
    { sessionId: 'preview', version: 1, reason: 'preview', createdAtMs: nowMs },
  );
}
