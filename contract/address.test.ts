import { readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { canonical, meaningOf, segmentsOf } from './address';
import { endpoints } from './endpoints';
import { FILE_DOORS } from './fileDoors';

const read = (raw: string): string | null => {
  const segments = segmentsOf(raw);
  return segments && canonical(segments);
};

describe('an address', () => {
  it.each([
    ['/api/v1/doors', '/api/v1/doors'],
    ['/api/v1/%64oors', '/api/v1/doors'],
    ['/%61pi/v%31/d%6Fors', '/api/v1/doors'],
    ['//api///v1/doors/', '/api/v1/doors'],
    ['/', '/'],
    ['/lots/gr%C3%BCn', '/lots/gr%C3%BCn'],
    // Read otherwise by another reader, or by none: a second escape, a hidden separator, dots, a zero byte, halves of escapes.
    ['/api/v1/%2564oors', null],
    ['/api/v1%2fdoors', null],
    ['/api/v1\\doors', null],
    ['/api/v1/%5cdoors', null],
    ['/api/v1/x/../doors', null],
    ['/api/v1/x/%2e%2e/doors', null],
    ['/api/v1/./doors', null],
    ['/api/v1/doors%00', null],
    ['/lots/%', null],
    ['/lots/%zz', null],
    ['/lots/%c0%ae', null],
    ['/lots/%u0041', null],
    ['/lots/%ff', null],
    ['lots', null],
    ['*', null],
  ])('%s → %s', (raw, address) => expect(read(raw)).toBe(address));

  it('is its own canonical spelling', () => {
    for (const raw of ['/', '/fibre', '/api/v1/lots/gr%C3%BCn%20b', '/_next/static/a~b(c).js']) expect(read(read(raw) ?? '')).toBe(read(raw));
  });
});

describe('what an address means', () => {
  const at = (path: string): readonly string[] => path.slice(1).split('/');
  it('is the endpoint of the table, for each of them', () => {
    for (const [id, { method, path }] of Object.entries(endpoints))
      expect(meaningOf(method, at(`/api/v1${path.replaceAll(/\{\w+\}/g, 'a1')}`)), id).toMatchObject({ kind: 'endpoint', id });
    for (const [id, { method, path }] of Object.entries(FILE_DOORS))
      expect(meaningOf(method, at(`/api/v1${path.replaceAll(/\{\w+\}/g, 'a1')}`)), id).toMatchObject({ kind: 'file', id });
  });
  it('says by which methods there would be something', () => {
    expect(meaningOf('DELETE', at('/api/v1/lots'))).toEqual({ kind: 'nothing', otherMethods: ['GET', 'POST'] });
    expect(meaningOf('PUT', at('/api/v1/archive'))).toEqual({ kind: 'nothing', otherMethods: ['GET', 'POST'] });
    expect(meaningOf('GET', at('/api/v2/lots'))).toEqual({ kind: 'nothing', otherMethods: [] });
  });
  it('knows every route there is: none is reached past the tables', () => {
    const routes = readdirSync('app/api', { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('route.ts'));
    const known = [...new Set(Object.values(FILE_DOORS).map(({ path }) => path.slice(1).replaceAll('{', '[').replaceAll('}', ']')))];
    const unknown = routes.map((file) => file.replace(/^v1\//, '').replace(/\/route\.ts$/, '')).filter((path) => path !== '[...path]' && !known.includes(path));
    expect(unknown).toEqual([]);
  });
});
