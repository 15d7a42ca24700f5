import { describe, expect, it } from 'vitest';
import { roleAllows, type Scope, scopeAllows } from './scope';

describe('what a device may do', () => {
  it.each([
    ['hands', 'POST', '/api/v1/runs/r1/events', true],
    ['hands', 'GET', '/runs/r1', true],
    ['eyes', 'GET', '/runs/r1', true],
    ['eyes', 'HEAD', '/api/v1/runs/r1', true],
    ['eyes', 'POST', '/api/v1/runs/r1/events', false],
    ['eyes', 'PUT', '/api/v1/home', false],
    ['hands', 'GET', '/api/v1/doors', false],
    ['hands', 'POST', '/api/v1/doors/invite', false],
    ['eyes', 'GET', '/api/v1/doors', false],
    ['eyes', 'POST', '/api/v1/me/leave', true],
  ] as const)('%s: %s %s → %s', (role, method, path, allowed) => expect(roleAllows(role, method, path)).toBe(allowed));
});

describe('what a token opens', () => {
  const probe: Scope = { kind: 'probe', probeId: 'pot 1' };
  it.each([
    [probe, 'POST', '/api/v1/probes/pot%201/readings', true],
    [probe, 'GET', '/api/v1/time', true],
    [probe, 'POST', '/api/v1/probes/other/readings', false],
    [probe, 'GET', '/api/v1/probes/pot%201/readings', false],
    [probe, 'GET', '/api/v1/lots', false],
    [{ kind: 'look' }, 'GET', '/api/v1/lots', true],
    [{ kind: 'look' }, 'POST', '/api/v1/lots', false],
    [{ kind: 'look' }, 'GET', '/', false],
    [{ kind: 'all' }, 'POST', '/api/v1/lots', true],
    [{ kind: 'all' }, 'POST', '/api/v1/doors/tokens', false],
    [{ kind: 'all' }, 'GET', '/fibre', false],
  ] as readonly [Scope, string, string, boolean][])('%j: %s %s → %s', (scope, method, path, allowed) => expect(scopeAllows(scope, method, path)).toBe(allowed));
});
