import { DIP } from './data/dip';
import { DYE } from './data/dye';
import { EXTRACT } from './data/extract';
import { AFTERWARDS, RESISTS } from './data/finish';
import { PREPARE } from './data/prepare';
import { type Method, STAGES } from './method';

/**
 * The library in working order. Figures: trade handbook sections 3-16 (common practice, no source); parameters marked
 * `estimate` have no figure in common use and are ours to start from.
 */
export const METHODS: readonly Method[] = [...PREPARE, ...RESISTS, ...EXTRACT, ...DYE, ...DIP, ...AFTERWARDS].toSorted(
  (a, b) => STAGES.indexOf(a.stage) - STAGES.indexOf(b.stage),
);

/** Finds methods by id, own ones behind the library's. */
export interface MethodBook {
  readonly all: readonly Method[];
  /** The newest version, or the one asked for. */
  find(id: string, version?: number | null): Method | undefined;
}

/** @param own every version of every method of one's own, retired ones too: plans may name an older one */
export function methodBook(own: readonly Method[], retired: ReadonlySet<string> = new Set()): MethodBook {
  const byId = new Map<string, Method[]>();
  for (const method of [...METHODS, ...own]) byId.set(method.id, [...(byId.get(method.id) ?? []), method]);
  const newest = (versions: readonly Method[]) => versions.reduce((a, b) => (b.version > a.version ? b : a));
  const all = [...byId.values()]
    .map(newest)
    .filter((method) => !retired.has(method.id))
    .toSorted((a, b) => STAGES.indexOf(a.stage) - STAGES.indexOf(b.stage));
  return {
    all,
    find: (id, version) => {
      const versions = byId.get(id);
      if (!versions) return undefined;
      return version ? versions.find((method) => method.version === version) : newest(versions);
    },
  };
}

/** The library alone, where nobody has methods of their own. */
export const LIBRARY: MethodBook = methodBook([]);
