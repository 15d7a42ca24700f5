'use client';
import { type ReactNode, useState } from 'react';
import { HomeFacts } from './facts';
import { Guard } from './Guard';
import { later } from './later';
import { Rail } from './Rail';
import { useKeys } from './useKeys';

const FindAnything = later(() => import('../find/FindAnything').then((module) => module.FindAnything));

/** The rail and the page, and what can be reached from every page. */
export function Frame({ children }: { children: ReactNode }) {
  const [finding, setFinding] = useState(false);
  useKeys(!finding, { '/': () => setFinding(true), '$mod+k': () => setFinding(true) });
  return (
    <HomeFacts>
      <a className="skip-link" href="#main">
        Skip to the page
      </a>
      <div className="room">
        <Rail onFind={() => setFinding(true)} />
        <main id="main" tabIndex={-1}>
          <Guard what="This page">{children}</Guard>
        </main>
      </div>
      {finding ? <FindAnything onClose={() => setFinding(false)} /> : null}
    </HomeFacts>
  );
}
