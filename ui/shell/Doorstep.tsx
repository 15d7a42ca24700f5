'use client';
import { type ReactNode, useEffect } from 'react';
import { PaintedNight } from '../theme/lighting';
import { Themed } from './Themed';

/** Where a device stands that has not joined: the look of the room, and nothing that is in it. */
export function Doorstep({ night, children }: { night: boolean; children: ReactNode }) {
  useEffect(() => {
    void import('../api/keepOffline').then(({ forgetKept }) => forgetKept());
  }, []);
  return (
    <PaintedNight value={night}>
      <Themed>
        <main style={{ maxWidth: 760, margin: '0 auto' }}>{children}</main>
      </Themed>
    </PaintedNight>
  );
}
