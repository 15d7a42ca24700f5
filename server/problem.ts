/** What a caller can put right: becomes an RFC 9457 problem document. Anything else that is thrown is a fault (500). */
export class Problem extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 405 | 409 | 413 | 415 | 422 | 429 | 503 | 507,
    readonly title: string,
    readonly detail: string,
    readonly errors: readonly { readonly at: string; readonly message: string }[] = [],
  ) {
    super(`${title}: ${detail}`);
  }
}

export const notFound = (what: string, id: string): Problem => new Problem(404, 'Not found', `There is no ${what} “${id}”.`);
export const conflict = (detail: string, errors: Problem['errors'] = []): Problem => new Problem(409, 'It does not fit what is there', detail, errors);
export const invalid = (detail: string, errors: Problem['errors'] = []): Problem => new Problem(422, 'Something needs another look', detail, errors);
