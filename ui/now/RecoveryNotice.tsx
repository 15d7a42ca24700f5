'use client';
import { useEffect, useState } from 'react';
import { get } from '../api/http';

/** What was mended at the last start is said plainly, not only in a terminal. */
export function RecoveryNotice() {
  const [notices, setNotices] = useState<readonly string[]>([]);
  useEffect(() => {
    get<{ notices: string[] }>('/health').then(
      (health) => setNotices(health.notices),
      () => undefined,
    );
  }, []);
  if (notices.length === 0) return null;
  return (
    <div className="banner" role="status">
      At the last start: {notices.join(' ')}
    </div>
  );
}
