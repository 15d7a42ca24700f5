'use client';
import { useLoaded } from '../api/useLoaded';
import { Notice } from '../shell/Notice';

/** What the disk refuses, and what was mended or could not be proved, is said plainly, not only in a terminal. */
export function RecoveryNotice() {
  const health = useLoaded<{ notices: string[]; trouble: string | null }>('/health');
  if (health.state !== 'ready') return null;
  const { notices, trouble } = health.value;
  return (
    <>
      {trouble ? <Notice kind="fault">{trouble}</Notice> : null}
      {notices.length > 0 ? <Notice>What is stored was looked through: {notices.join(' ')}</Notice> : null}
    </>
  );
}
