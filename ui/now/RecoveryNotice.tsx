'use client';
import { useLoaded } from '../api/useLoaded';
import { Notice } from '../shell/Notice';

/** What was mended at the last start is said plainly, not only in a terminal. */
export function RecoveryNotice() {
  const health = useLoaded<{ notices: string[] }>('/health');
  if (health.state !== 'ready' || health.value.notices.length === 0) return null;
  return <Notice>At the last start: {health.value.notices.join(' ')}</Notice>;
}
