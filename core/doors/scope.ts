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
  /** The device it was made by, which it ends with; null for the machine itself. */
  readonly madeBy: string | null;
}

/** What a request needs of whoever sends it. */
export type Need =
  | { readonly kind: 'page' }
  | { readonly kind: 'look' }
  | { readonly kind: 'change' }
  /** The clock, which a probe may read too. */
  | { readonly kind: 'time' }
  | { readonly kind: 'readings'; readonly probeId: string }
  /** To leave is everybody’s own. */
  | { readonly kind: 'leave' }
  /** Who lets whom in is decided on the machine alone. */
  | { readonly kind: 'doors' };

/** Whether a device may do this. */
export function roleAllows(role: Role, need: Need): boolean {
  switch (need.kind) {
    case 'page':
    case 'look':
    case 'time':
    case 'leave':
      return true;
    case 'change':
    case 'readings':
      return role === 'hands';
    case 'doors':
      return false;
  }
}

/** Whether a token opens this. Pages are for people: a token opens the API alone. */
export function scopeAllows(scope: Scope, need: Need): boolean {
  switch (need.kind) {
    case 'page':
    case 'doors':
      return false;
    case 'time':
      return true;
    case 'look':
      return scope.kind !== 'probe';
    case 'readings':
      return scope.kind === 'all' || (scope.kind === 'probe' && scope.probeId === need.probeId);
    case 'change':
    case 'leave':
      return scope.kind === 'all';
  }
}
