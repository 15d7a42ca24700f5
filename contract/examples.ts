/** A request that was really sent, and what it was answered. */
export interface Example {
  readonly path: string;
  readonly body?: unknown;
  readonly answer: unknown;
}

/** Longer ones say nothing more, and a page of them is not read. */
const MOST_CHARACTERS = 2500;
const MOST_ITEMS = 2;

/** As the document shows it: of a list the first two; what is too long is left out. `null` for an answer: too long to be shown. */
export function exampleOf({ path, body, answer }: Example): { path: string; body?: unknown; answer: unknown } {
  const short = (value: unknown): unknown => {
    const some = Array.isArray(value) ? value.slice(0, MOST_ITEMS) : value;
    return JSON.stringify(some).length <= MOST_CHARACTERS ? some : null;
  };
  const shown = body === undefined ? null : short(body);
  return { path, ...(shown === null ? {} : { body: shown }), answer: short(answer) };
}
