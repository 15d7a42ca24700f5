/** One thing that a program can ask for, as a person reads it. */
export interface Operation {
  readonly id: string;
  readonly method: string;
  /** Below /api/v1. */
  readonly path: string;
  readonly summary: string;
  readonly about: string | null;
  readonly parameters: readonly { readonly name: string; readonly isInPath: boolean; readonly says: string }[];
  /** What is sent and what comes back, by their kind. */
  readonly takes: string | null;
  readonly gives: string | null;
  readonly refusals: readonly { readonly status: string; readonly says: string }[];
}

interface Media {
  readonly content?: Readonly<Record<string, { readonly example?: unknown }>>;
}
interface Told {
  readonly operationId: string;
  readonly summary?: string;
  readonly description?: string;
  readonly parameters?: readonly {
    readonly name: string;
    readonly in: string;
    readonly description?: string;
    readonly schema?: { readonly enum?: readonly string[] };
  }[];
  readonly requestBody?: Media;
  readonly responses: Readonly<Record<string, Media & { readonly description: string }>>;
}
type Document = { readonly paths: Readonly<Record<string, Readonly<Record<string, Told>>>> };

const kindOf = (media: Media | undefined): string | null => Object.keys(media?.content ?? {})[0] ?? null;

/** Everything in an OpenAPI document of ours, without schemas and examples: those come when somebody looks closer. */
export function operationsIn(document: object): Operation[] {
  return Object.entries((document as Document).paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, { operationId, summary = '', description, parameters = [], requestBody, responses }]) => ({
      id: operationId,
      method: method.toUpperCase(),
      path,
      summary,
      about: description ?? null,
      parameters: parameters.map((one) => ({
        name: one.name,
        isInPath: one.in === 'path',
        says: one.description ?? one.schema?.enum?.join(' or ') ?? '',
      })),
      takes: kindOf(requestBody),
      gives: kindOf(responses['200']),
      refusals: Object.entries(responses).flatMap(([status, { description: says }]) => (status === '200' ? [] : [{ status, says }])),
    })),
  );
}

/** What the document shows as sent and answered, as indented JSON; null where it shows nothing. */
export function examplesIn(document: object, { path, method }: Pick<Operation, 'path' | 'method'>): { sent: string | null; answered: string | null } {
  const told = (document as Document).paths[path]?.[method.toLowerCase()];
  const shown = (media: Media | undefined) => {
    const example = Object.values(media?.content ?? {})[0]?.example;
    return example === undefined ? null : JSON.stringify(example, null, 2);
  };
  return { sent: shown(told?.requestBody), answered: shown(told?.responses['200']) };
}
