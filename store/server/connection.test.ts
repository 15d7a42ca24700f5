import { describe, expect, test } from 'vitest';
import { isGone, serverTrouble } from './connection';

const error = (code: string | undefined, message = '') => Object.assign(new Error(message), code === undefined ? {} : { code });

// PostgreSQL documentation, appendix A: error codes
describe('what the server says, in words', () => {
  test.each([
    ['08006', 'does not answer'],
    ['57P01', 'does not answer'],
    ['ECONNREFUSED', 'does not answer'],
    ['53100', 'disk of the database server is full'],
    ['53300', 'too many connections'],
    ['55P03', 'Another Hyndle holds'],
    ['25P03', 'took too long'],
    ['25006', 'lets nothing be written'],
    ['28P01', 'DATABASE_URL'],
    ['3D000', 'DATABASE_URL'],
  ])('%s', (code, words) => expect(serverTrouble(error(code))).toContain(words));
  test.each(['22P02', '23505', '42601', undefined])('%s is a fault of what was asked, not of the server', (code) => {
    expect(serverTrouble(error(code, 'syntax error'))).toBeNull();
  });
  test.each(['Connection terminated unexpectedly', 'timeout exceeded when trying to connect'])('%s', (message) =>
    expect(isGone(error(undefined, message))).toBe(true),
  );
});
