import type { ReactNode } from 'react';

/** Nothing here yet: what it is for, and the next thing to do, offered. */
export const EmptyPlace = ({ children, act }: { children: ReactNode; act?: ReactNode }) => (
  <div className="empty stack">
    <p>{children}</p>
    {act ? <div className="line line-tight">{act}</div> : null}
  </div>
);
