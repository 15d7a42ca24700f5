'use client';
import { useEffect, useState } from 'react';
import { later } from './later';
import { Page } from './Page';
import type { Shaped } from './Shape';

/** Most pages come whole and never show it. */
const Shape = later(() => import('./Shape').then((module) => module.Shape));
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
  readonly shape?: Shaped;
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
