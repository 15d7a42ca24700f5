import type { ProblemView } from '@/contract/views';

/** The server said no, and why; or there was no server to ask. */
export class Refused extends Error {
  constructor(readonly problem: ProblemView) {
    super(problem.detail);
  }
}
export class Unreachable extends Error {}

const TIMEOUT_MS = 15_000;

async function send<T>(method: 'GET' | 'POST' | 'PUT', path: string, body?: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api/v1${path}`, {
      method,
      signal: AbortSignal.timeout(TIMEOUT_MS),
      ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
  } catch {
    throw new Unreachable('Hyndle does not answer. Is it still running?');
  }
  const answer: unknown = await response.json().catch(() => null);
  if (response.ok) return answer as T;
  throw new Refused(
    isProblem(answer) ? answer : { title: 'Not understood', status: response.status, detail: `The answer was ${response.status}.`, errors: [] },
  );
}

const isProblem = (value: unknown): value is ProblemView => typeof value === 'object' && value !== null && 'detail' in value && 'errors' in value;

export const get = <T>(path: string): Promise<T> => send<T>('GET', path);
export const post = <T>(path: string, body: unknown): Promise<T> => send<T>('POST', path, body);
export const put = <T>(path: string, body: unknown): Promise<T> => send<T>('PUT', path, body);

/** An error as words for the place where it happened. */
export const errorText = (error: unknown): string => (error instanceof Error ? error.message : 'That did not work.');
