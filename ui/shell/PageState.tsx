'use client';
import { Alert, Button, Skeleton } from 'antd';
import { type ReactNode, useEffect, useState } from 'react';
import { Page } from './Page';

const QUIET_MS = 300;

/** True once something has taken long enough to be worth showing that it does. */
function useTakesLong(): boolean {
  const [long, setLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLong(true), QUIET_MS);
    return () => clearTimeout(timer);
  }, []);
  return long;
}

interface LoadingProps {
  readonly title: string;
  /** The shape of what comes: rows of a list, panels side by side, or a picture beside fields. */
  readonly shape?: 'rows' | 'panels' | 'picture';
}

/** A page whose data is on the way: its name at once, and after a moment the shape of what comes. */
export function LoadingPage({ title, shape = 'rows' }: LoadingProps) {
  const long = useTakesLong();
  return (
    <Page title={title}>
      <p role="status" className="quiet">
        {long ? `Fetching ${title.toLowerCase()} …` : ''}
      </p>
      {long ? <Shape shape={shape} /> : null}
    </Page>
  );
}

function Shape({ shape }: { shape: NonNullable<LoadingProps['shape']> }) {
  switch (shape) {
    case 'rows':
      return (
        <div className="rows" aria-hidden="true">
          {[0, 1, 2, 3, 4, 5].map((row) => (
            <div key={row} className="row">
              <Skeleton active title={false} avatar={{ shape: 'square' }} paragraph={{ rows: 2, width: ['34%', '22%'] }} />
            </div>
          ))}
        </div>
      );
    case 'panels':
      return (
        <div className="columns" aria-hidden="true">
          {[0, 1, 2].map((panel) => (
            <div key={panel} className="panel">
              <Skeleton active paragraph={{ rows: 4 }} />
            </div>
          ))}
        </div>
      );
    case 'picture':
      return (
        <div className="beside beside-editor" aria-hidden="true">
          <div className="panel">
            <Skeleton active paragraph={{ rows: 8 }} />
          </div>
          <div className="panel">
            <Skeleton.Node active style={{ width: '100%', height: 420 }} />
          </div>
        </div>
      );
  }
}

export const FailedPage = ({ title, why, retry }: { title: string; why: string; retry: () => void }) => (
  <Page title={title}>
    <Alert type="error" showIcon={false} title={why} action={<Button onClick={retry}>Try again</Button>} />
  </Page>
);

/** Nothing here yet: what it is for, and the next thing to do, offered. */
export const EmptyPlace = ({ children, act }: { children: ReactNode; act?: ReactNode }) => (
  <div className="empty stack">
    <p>{children}</p>
    {act ? <div className="line line-tight">{act}</div> : null}
  </div>
);
