import { describe, expect, test } from 'vitest';
import { parseReadingsCsv } from './readingsCsv';

const read = (text: string) => {
  const parsed = parseReadingsCsv(text);
  return parsed.ok ? parsed.value.readings : `line ${parsed.error.line}`;
};
const one = [{ atMs: 1_772_820_000_000, bathC: 82.5 }];

describe('readings as CSV (RFC 4180)', () => {
  test.each([
    ['the last line end is optional', '1772820000000,82.5'],
    ['CRLF', '1772820000000,82.5\r\n'],
    ['quoted fields', '"1772820000000","82.5"\r\n'],
    ['a header line', 'time,temperature\r\n1772820000000,82.5\r\n'],
    ['a byte order mark', '\uFEFF1772820000000,82.5\n'],
    ['an ISO 8601 time', '2026-03-06T18:00:00Z,82.5\n'],
    ['empty lines between', '\n\n1772820000000,82.5\n\n'],
    ['spaces about the fields', ' 1772820000000 , 82.5 \n'],
  ])('%s', (_name, text) => expect(read(text)).toEqual(one));

  // RFC 4180, sections 2.5 to 2.7: a quote opens a field at its beginning, closes it at its end, and is closed.
  test.each([
    ['a quote in the middle of a bare field', '1772820000000,8"2'],
    ['words after a closing quote', '"1772820000000"x,82'],
    ['a quote that is never closed', '1772820000000,"82'],
    ['a third field', '1772820000000,82,5'],
    ['no temperature', '1772820000000,'],
    ['a comma as decimal mark', '1772820000000,"82,5"'],
    ['no time', 'yesterday evening was warm'.replace('y', '?')],
  ])('%s is refused with its line', (_name, text) => expect(read(text)).toBe('line 1'));

  test('a fault further down names its own line, and nothing is taken', () => {
    expect(read('1772820000000,82\n1772820060000,83\n1772820120000,hot\n')).toBe('line 3');
    expect(read('1772820000000,82\ntime,temperature\n')).toBe('line 2');
  });
});
