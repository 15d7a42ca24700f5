import type { Meaning } from '@/contract/address';
import type { EndpointId } from '@/contract/endpoints';
import type { Need } from '@/core/doors/scope';

/** Endpoints that need something else than their method says. */
const OTHERWISE: Partial<Record<EndpointId, 'time' | 'leave' | 'doors'>> = {
  time: 'time',
  leave: 'leave',
  getDoors: 'doors',
  openDoors: 'doors',
  invite: 'doors',
  endInvite: 'doors',
  putOut: 'doors',
  makeToken: 'doors',
  endToken: 'doors',
};

const LOOKS: readonly string[] = ['GET', 'HEAD'];

/** What a request needs of whoever sends it; null where there is nothing to be allowed. */
export function needOf(method: string, meaning: Meaning): Need | null {
  const byMethod = LOOKS.includes(method) ? 'look' : 'change';
  switch (meaning.kind) {
    case 'page':
      return LOOKS.includes(method) ? { kind: 'page' } : { kind: 'change' };
    case 'file':
      return { kind: byMethod };
    case 'endpoint': {
      if (meaning.id === 'postReadings') return { kind: 'readings', probeId: meaning.params.probeId ?? '' };
      return { kind: OTHERWISE[meaning.id] ?? byMethod };
    }
    case 'nothing':
      return null;
  }
}
