/** Everything that is written down of results, the other way round: by factor and what it says, the results that have it. */
export interface FactorIndex {
  /** "mordant" */
  readonly what: string;
  /** "potash alum 15 %", each with the ids of its results. */
  readonly values: readonly { readonly says: string; readonly ids: readonly string[] }[];
}

/** One value of one factor. */
export type FactorPick = readonly [what: string, says: string];

/** @param results with their factors in words, in any order; factors stand as they are met, values by how many have them */
export function indexFactors(results: readonly { readonly id: string; readonly factors: readonly FactorPick[] }[]): FactorIndex[] {
  const index = new Map<string, Map<string, string[]>>();
  for (const { id, factors } of results)
    for (const [what, says] of factors) {
      const values = index.get(what) ?? new Map<string, string[]>();
      const ids = values.get(says) ?? [];
      ids.push(id);
      index.set(what, values.set(says, ids));
    }
  return [...index].map(([what, values]) => ({
    what,
    values: [...values]
      .map(([says, ids]) => ({ says, ids }))
      .sort((a, b) => b.ids.length - a.ids.length || a.says.localeCompare(b.says, 'en', { numeric: true })),
  }));
}

/** The results that have one of the values picked of each factor picked; null when nothing is picked: all of them. */
export function havingAll(index: readonly FactorIndex[], picks: readonly FactorPick[]): ReadonlySet<string> | null {
  if (picks.length === 0) return null;
  const [first, ...others] = [...new Set(picks.map(([what]) => what))].map((what) => {
    const says = new Set(picks.flatMap((pick) => (pick[0] === what ? [pick[1]] : [])));
    return new Set((index.find((one) => one.what === what)?.values ?? []).flatMap((value) => (says.has(value.says) ? value.ids : [])));
  });
  return new Set([...(first ?? [])].filter((id) => others.every((own) => own.has(id))));
}
