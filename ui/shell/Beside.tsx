'use client';
import { Drawer } from 'antd';
import type { ReactNode } from 'react';
import { useMedia } from './useMedia';

/** Room for a list and its details side by side; the same as in styles/room.css. */
const WIDE = '(min-width: 1560px)';

interface Props {
  readonly label: string;
  readonly children: ReactNode;
  readonly onClose: () => void;
}

/** The details of what was chosen in a list: beside it where there is room, else over it until they are closed. */
export function Beside({ label, children, onClose }: Props) {
  const wide = useMedia(WIDE, false);
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
