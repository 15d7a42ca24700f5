'use client';
import { Drawer } from 'antd';
import type { ReactNode } from 'react';
import { useWide } from './useWide';

interface Props {
  readonly label: string;
  readonly children: ReactNode;
  readonly onClose: () => void;
}

/** The details of what was chosen in a list: beside it where there is room, else over it until they are closed. */
export function Beside({ label, children, onClose }: Props) {
  const wide = useWide();
  return wide ? (
    <aside className="stack sticky" aria-label={label}>
      {children}
    </aside>
  ) : (
    <Drawer open onClose={onClose} size={520} title={null} closable={{ placement: 'end', 'aria-label': 'Close' }} aria-label={label}>
      <div className="stack">{children}</div>
    </Drawer>
  );
}
