/** What taking a saved file in would do, or did, to the rows of one kind. */
export interface MergedKind {
  readonly added: number;
  readonly same: number;
  /** Newer in the file: they replace what is here. */
  readonly newer: number;
  /** Newer here: they stay. */
  readonly older: number;
  /** Of the same age and different: what is here stays. */
  readonly different: number;
}

export interface Merged {
  readonly madeAtMs: number;
  readonly kinds: Readonly<Record<string, MergedKind>>;
  /** Readings that are not here yet. */
  readonly readings: number;
  /** What stays although the file says otherwise, in words; the first few. */
  readonly stays: readonly string[];
}

const WORDS: Readonly<Record<string, readonly [string, string]>> = {
  home: ['the home', 'the home'],
  lot: ['lot', 'lots'],
  passport_entry: ['entry in a passport', 'entries in passports'],
  vessel: ['vessel', 'vessels'],
  sim_pot: ['simulated pot', 'simulated pots'],
  session: ['session', 'sessions'],
  plan: ['plan', 'plans'],
  run: ['run', 'runs'],
  run_event: ['act in a log', 'acts in logs'],
  stock: ['thing on the shelf', 'things on the shelf'],
  liquor: ['kept bath', 'kept baths'],
  bath_act: ['act on a kept bath', 'acts on kept baths'],
  own_substance: ['stuff of your own', 'stuffs of your own'],
  method: ['version of a method', 'versions of methods'],
  method_shelf: ['method put away or taken back', 'methods put away or taken back'],
  look: ['look', 'looks'],
  trial: ['trial', 'trials'],
  fastness_test: ['test of fastness', 'tests of fastness'],
  weigh_tick: ['tick of a weigh-out', 'ticks of weigh-outs'],
};

/** What taking a saved file in changes, one sentence a kind; what is the same on both sides is not worth one. */
export function mergedSentences({ kinds, readings }: Pick<Merged, 'kinds' | 'readings'>): string[] {
  const sentences = Object.entries(kinds).flatMap(([kind, { added, newer, older, different }]) => {
    const words = WORDS[kind];
    if (!words) return [];
    const parts = [
      [added, 'new'],
      [newer, 'newer in the file'],
      [older, 'newer here and kept'],
      [different, 'different and kept as here'],
    ].flatMap(([count, how]) => (Number(count) > 0 ? [`${count} ${how}`] : []));
    const all = added + newer + older + different;
    return all === 0 ? [] : [`${words[all === 1 ? 0 : 1]}: ${parts.join(', ')}`];
  });
  if (readings > 0) sentences.push(`readings: ${readings} new`);
  return sentences.length > 0 ? sentences : ['nothing: all of it is here already'];
}

/** What stays as it is here; when there is too much of it to name, how much more. */
export function staysText({ kinds, stays }: Pick<Merged, 'kinds' | 'stays'>): string {
  const more = Object.values(kinds).reduce((sum, { different }) => sum + different, 0) - stays.length;
  return `${stays.join('; ')}${more > 0 ? `; and ${more} more` : ''}`;
}
