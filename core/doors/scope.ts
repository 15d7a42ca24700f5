import type { Role } from './joining';

/** What a token opens: readings of one probe, every look, or everything. */
export type Scope = { readonly kind: 'probe'; readonly probeId: string } | { readonly kind: 'look' } | { readonly kind: 'all' };

export interface Token {
  readonly id: string;
  readonly name: string;
  readonly scope: Scope;
  readonly hash: string;
  readonly madeAtMs: number;
  readonly lastUsedMs: number | null;
}

const LOOKS = ['GET', 'HEAD'];
/** Who lets whom in is decided on the machine alone. */
const isDoors = (path: string): boolean => path === '/api/v1/doors' || path.startsWith('/api/v1/doors/');

/** Whether a device may do this; to leave is everybody’s own. */
export const roleAllows = (role: Role, method: string, path: string): boolean =>
  !isDoors(path) && (role === 'hands' || LOOKS.includes(method) || path === '/api/v1/me/leave');

/** Whether a token opens this. The pages are for people: a token opens the doors of programs alone. */
export function scopeAllows(scope: Scope, method: string, path: string): boolean {
  if (!path.startsWith('/api/v1/') || isDoors(path)) return false;
  switch (scope.kind) {
    case 'all':
      return true;
    case 'look':
      return LOOKS.includes(method);
    case 'probe':
      return path === '/api/v1/time' ? LOOKS.includes(method) : method === 'POST' && path === `/api/v1/probes/${encodeURIComponent(scope.probeId)}/readings`;
  }
}
