import type { RunFact } from '@/core/run/events';

export type AskFor = 'reading' | 'ph' | 'volume' | 'addition' | 'checked' | 'note' | 'move' | 'skip' | 'pause' | 'weigh' | 'heat' | 'rolled';
export type ActId = AskFor | 'next' | 'stirred' | 'flipped' | 'end';

/** One act of the stove: what its button, its key, the list of keys and the typed line need to know of it. */
export interface ActRow {
  readonly id: ActId;
  /** On a vessel's card. */
  readonly label: string;
  /** In the list of all acts of a vessel; null: it stands on every card. */
  readonly more: string | null;
  readonly key: string | null;
  /** In the list of keys. */
  readonly help: string;
  /** Words that begin a typed line for it. */
  readonly words: readonly string[];
  /** Facts that a tap logs at once; null: a small form asks first. */
  readonly log: ((stepId: string) => readonly RunFact[]) | null;
}

const row = (
  id: ActId,
  label: string,
  more: string | null,
  key: string | null,
  help: string,
  words: readonly string[] = [],
  log: ActRow['log'] = null,
): ActRow => ({
  id,
  label,
  more,
  key,
  help,
  words,
  log,
});

/** Every act there is, in the order of the list of all acts. */
export const ACTS: readonly ActRow[] = [
  row('next', 'On', null, 'b', 'on to the next part: heat on, start hold, lift, done', ['next', 'lift', 'lifted', 'done'], () => []),
  row('stirred', 'Stirred', 'Stirred', 's', 'stirred', ['stir', 'stirred', 's'], (stepId) => [{ type: 'stirred', stepId }]),
  row('flipped', 'Turned', 'Turned the load', null, 'turned the load', ['flip', 'flipped', 'turned'], (stepId) => [{ type: 'flipped', stepId }]),
  row('reading', 'Reading', 'Temperature', 'r', 'log a temperature'),
  row('heat', 'Turned to', 'Heat or lid', 't', 'set the heat or the lid', ['knob', 'heat', 'turn', 'lid']),
  row('ph', 'pH', 'pH', 'p', 'log a pH', ['ph']),
  row('volume', 'Volume', 'Volume', 'v', 'log a volume'),
  row('addition', 'Added', 'Addition', 'a', 'log an addition'),
  row('rolled', 'Rolled', 'How it is rolled', null, 'how a bundle is rolled', ['rolled', 'roll']),
  row('checked', 'Looked', 'Looked at it', 'c', 'looked at it', ['look', 'looked', 'checked']),
  row('note', 'Note', 'Note', 'n', 'note', ['note', 'n']),
  row('move', 'Move', 'Move to another vessel', null, 'move to another vessel'),
  row('weigh', 'Weigh', 'Weigh a lot', null, 'weigh a lot'),
  row('pause', 'Pause', 'Pause', null, 'pause'),
  row('skip', 'Skip', 'Skip this step', null, 'skip this step'),
  row('end', 'End', 'End this step now', null, 'end this step now', [], (stepId) => [{ type: 'stepFinished', stepId }]),
];

/** What is said of the call itself, whatever it is for: its button, its help, and the typed line it is known by. */
export const CALL_ACTS = {
  later: { label: 'Later', help: 'put the call off', line: 'later 10 min', is: /^(?:later|put off)(?:\s+(\d+)\s*(h|hours?|min|minutes?|m)?)?$/i },
  letGo: { label: 'Let it go, this time', help: 'let the call go, this time', line: 'let go', is: /^let (?:it )?go$/i },
} as const;

const OF_A_BATH: ReadonlySet<ActId> = new Set(['reading', 'ph', 'volume', 'heat']);

/** The acts that make sense there: a table or a line has no bath to read, and only a bundle is rolled. */
export const actsAt = (isWet: boolean, isBundle = false): readonly ActRow[] =>
  ACTS.filter((act) => (isWet || !OF_A_BATH.has(act.id)) && (isBundle || act.id !== 'rolled'));

const byId = new Map(ACTS.map((act) => [act.id, act]));
export function actRow(id: ActId): ActRow {
  const found = byId.get(id);
  if (!found) throw new Error(`no act ${id}`);
  return found;
}

/** The act whose typed line begins with a word; null when none does. */
export const actByWord = (word: string): ActId | null => ACTS.find((act) => act.words.includes(word.toLowerCase()))?.id ?? null;

export const isAsk = (id: ActId): id is AskFor => id !== 'next' && id !== 'stirred' && id !== 'flipped' && id !== 'end';
