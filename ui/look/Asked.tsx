import type { ReactNode } from 'react';

/** A choice with what it is of above it. */
export const Asked = ({ label, children }: { label: string; children: ReactNode }) => (
  <div>
    <span className="quiet small">{label}</span>
    <div>{children}</div>
  </div>
);
