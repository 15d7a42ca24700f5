import { knownValue } from '../figure';
import type { Passport } from './passport';
import { shareText } from './passport';

/** What one's own finished runs say of a plant or a method: heard becomes tried. */
export interface Tried {
  readonly runs: number;
  /** The lots it was done to. */
  readonly lots: readonly string[];
  /** How much was used, each figure once: "10 : 1", "12 %". */
  readonly shares: readonly string[];
}

export interface TriedHere {
  /** By the name it stands under in passports. */
  readonly substances: ReadonlyMap<string, Tried>;
  readonly methods: ReadonlyMap<string, Tried>;
}

interface Seen {
  readonly runs: Set<string>;
  readonly lots: Set<string>;
  readonly shares: Set<string>;
}

/** Only what a run saw done counts: a belief, or an entry made by hand, was not tried here under anybody's eyes. */
export function triedHere(lots: readonly { readonly name: string; readonly passport: Passport }[]): TriedHere {
  const substances = new Map<string, Seen>();
  const methods = new Map<string, Seen>();
  const at = (map: Map<string, Seen>, key: string): Seen => {
    const had = map.get(key) ?? { runs: new Set(), lots: new Set(), shares: new Set() };
    map.set(key, had);
    return had;
  };
  for (const lot of lots)
    for (const treatment of lot.passport.treatments) {
      if (treatment.certainty !== 'known' || !('run' in treatment.from)) continue;
      const pct = knownValue(treatment.wofPct);
      const seen = [treatment.substance ? at(substances, treatment.substance) : null, treatment.how?.methodId ? at(methods, treatment.how.methodId) : null];
      for (const one of seen.filter((each) => each !== null)) {
        one.runs.add(treatment.from.run);
        one.lots.add(lot.name);
        if (pct !== null && one === seen[0]) one.shares.add(shareText(treatment.kind, pct));
      }
    }
  const told = (map: ReadonlyMap<string, Seen>): Map<string, Tried> =>
    new Map([...map].map(([key, { runs, lots: names, shares }]) => [key, { runs: runs.size, lots: [...names], shares: [...shares] }]));
  return { substances: told(substances), methods: told(methods) };
}

const MOST_NAMED = 3;

/** "Tried here twice, on Gotland lamb and Noil, with 10 : 1." or that it is only heard of. */
export function triedText(tried: Tried | undefined): string {
  if (!tried) return 'Heard of, not tried here yet.';
  const { runs, lots, shares } = tried;
  const times = runs === 1 ? 'once' : runs === 2 ? 'twice' : `${runs} times`;
  const named = lots.slice(0, MOST_NAMED).join(', ');
  const more = lots.length > MOST_NAMED ? ` and ${lots.length - MOST_NAMED} more` : '';
  return `Tried here ${times}, on ${named}${more}${shares.length > 0 ? `, with ${shares.slice(0, MOST_NAMED).join(', ')}` : ''}.`;
}
