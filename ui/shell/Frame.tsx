'use client';
import { type ReactNode, useState } from 'react';
import { useMe } from '../api/me';
import { HomeFacts } from './facts';
import { Guard } from './Guard';
import { later } from './later';
import { Notice } from './Notice';
import { Rail } from './Rail';
import { useKeys } from './useKeys';

const FindAnything = later(() => import('../find/FindAnything').then((module) => module.FindAnything));

/** The rail and the page, and what can be reached from every page. */
export function Frame({ children }: { children: ReactNode }) {
  const [finding, setFinding] = useState(false);
  const me = useMe();
  useKeys(!finding, { '/': () => setFinding(true), '$mod+k': () => setFinding(true) });
  return (
    <HomeFacts>
      <div className="room">
        <Rail onFind={() => setFinding(true)} />
        <main id="main" tabIndex={-1}>
          {me.kind === 'device' && me.role === 'eyes' ? (
            <div style={{ padding: '12px 12px 0' }}>
              <Notice>This device looks only: what is tapped here is not done.</Notice>
            </div>
          ) : null}
          <Guard what="This page">{children}</Guard>
        </main>
      </div>
      {finding ? <FindAnything onClose={() => setFinding(false)} /> : null}
    </HomeFacts>
  );
}
