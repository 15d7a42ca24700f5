import type { ProblemView } from '@/contract/views';

/**
 * What a server pointed out, by the fields that a form shows: a fault inside a field ("volumeMl.value") belongs to it;
 * what has no field here stands under '' so that nothing goes unsaid, and nothing is said twice.
 */
export function faultsByField(errors: ProblemView['errors'], shown: readonly string[]): Record<string, string> {
  const by: Record<string, string> = {};
  for (const { at, message } of errors) {
    const field = shown.find((name) => at === name || at.startsWith(`${name}.`)) ?? '';
    by[field] = by[field] === undefined ? message : `${by[field]} ${message}`;
  }
  return by;
}
