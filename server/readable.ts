import { invalid, Problem } from './problem';

const MAX_BODY_BYTES = 1024 * 1024;
/** Deeper than anything that is sent here, and far from what a stack holds. */
const MOST_DEEP = 64;
/** Names that every object of the language has already. */
const isTaken = (key: string): boolean => key === 'prototype' || key in {};
const LONE_SURROGATE = /\p{Surrogate}/u;

/** How deep brackets stand in one another, without reading what they hold; strings do not count. */
function depthOf(json: string): number {
  let [depth, most, inString] = [0, 0, false];
  for (let i = 0; i < json.length; i++) {
    const code = json.charCodeAt(i);
    if (inString) {
      if (code === 0x5c) i++;
      else if (code === 0x22) inString = false;
    } else if (code === 0x22) inString = true;
    else if (code === 0x5b || code === 0x7b) most = Math.max(most, ++depth);
    else if (code === 0x5d || code === 0x7d) depth--;
  }
  return most;
}

/** Whether a text can be kept at all: the database has no place for a zero byte or half a character. */
export const isKeepable = (text: string): boolean => !text.includes('\u0000') && !LONE_SURROGATE.test(text);

/** Reads JSON that came from outside. Throws Problem: not JSON, too deep, or with text or names that nothing can keep. */
export function readJson(text: string): unknown {
  if (depthOf(text) > MOST_DEEP) throw new Problem(400, 'Not readable', `The body is nested more than ${MOST_DEEP} deep.`);
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw new Problem(400, 'Not JSON', 'The body could not be read as JSON.');
  }
  refuseUnkeepable(value, 'body');
  return value;
}

function refuseUnkeepable(value: unknown, at: string): void {
  if (typeof value === 'string') {
    if (!isKeepable(value))
      throw invalid('A text holds a character that cannot be kept.', [{ at, message: 'Type it again; a zero byte or half a character is in it.' }]);
  } else if (Array.isArray(value)) for (const [i, one] of value.entries()) refuseUnkeepable(one, `${at}.${i}`);
  else if (value !== null && typeof value === 'object')
    for (const key of Object.keys(value)) {
      if (isTaken(key) || !isKeepable(key))
        throw invalid('A name of a field cannot be used.', [{ at, message: 'A field has a name that is never used here.' }]);
      refuseUnkeepable((value as Record<string, unknown>)[key], `${at}.${key}`);
    }
}

/** Stops reading as soon as it is too much: a 10 MB note never fills the memory. */
export async function readLimited(request: Request, mostBytes = MAX_BODY_BYTES): Promise<string> {
  const tooBig = () => new Problem(413, 'Too big', `At most ${mostBytes / 1024} kB at a time.`);
  if (Number(request.headers.get('content-length') ?? 0) > mostBytes) throw tooBig();
  const chunks: Uint8Array[] = [];
  let bytes = 0;
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    bytes += chunk.length;
    if (bytes > mostBytes) throw tooBig();
    chunks.push(chunk);
  }
  return new TextDecoder().decode(Buffer.concat(chunks));
}
