import type { ProblemView } from '@/contract/views';

/** The server said no, and why; or there was no server to ask. */
export class Refused extends Error {
  constructor(readonly problem: ProblemView) {
    super(problem.detail);
  }
}
export class Unreachable extends Error {}

const TIMEOUT_MS = 15_000;

const send = <T>(method: 'GET' | 'POST' | 'PUT', path: string, body?: unknown): Promise<T> =>
  ask<T>(path, {
    method,
    signal: AbortSignal.timeout(TIMEOUT_MS),
    ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  });

async function ask<T>(path: string, init: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api/v1${path}`, init);
  } catch {
    throw new Unreachable('Hyndle does not answer. Is it still running?');
  }
  return answerOf<T>(response.status, await response.text().catch(() => ''));
}

/** What an answer says. Throws Refused, or Unreachable where it broke off. */
export function answerOf<T>(status: number, text: string): T {
  const answer = jsonOf(text);
  const isFine = status >= 200 && status < 300;
  // Cut off in the middle, by a server that stopped: nothing came, whatever it began with.
  if (isFine && answer === undefined) throw new Unreachable('The answer of Hyndle broke off. Is it still running?');
  if (isFine) return answer as T;
  // Not let in, or no longer: what was typed and tapped stays in this browser, and goes on once it has joined.
  if (status === 401) window.location.assign('/join?out');
  throw new Refused(isProblem(answer) ? answer : { title: 'Not understood', status, detail: `The answer was ${status}.`, errors: [] });
}

/** @returns undefined for what is no JSON */
function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

const isProblem = (value: unknown): value is ProblemView => typeof value === 'object' && value !== null && 'detail' in value && 'errors' in value;

export const get = <T>(path: string): Promise<T> => send<T>('GET', path);
export const post = <T>(path: string, body: unknown): Promise<T> => send<T>('POST', path, body);
export const put = <T>(path: string, body: unknown): Promise<T> => send<T>('PUT', path, body);

/** An error as words for the place where it happened. */
export const errorText = (error: unknown): string => (error instanceof Error ? error.message : 'That did not work.');
