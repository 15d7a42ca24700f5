import type { ReactNode } from 'react';

/** Loading, failed and empty are places of their own, not blank pages. */
export const LoadingPage = ({ what }: { what: string }) => (
  <div className="page-state" role="status">
    <div className="wait-bar" aria-hidden="true" />
    Fetching {what} …
  </div>
);

export const FailedPage = ({ why, retry }: { why: string; retry: () => void }) => (
  <div className="page-state" role="alert">
    <p>{why}</p>
    <button type="button" className="act" onClick={retry}>
      Try again
    </button>
  </div>
);

export const EmptyPlace = ({ children }: { children: ReactNode }) => <div className="page-state">{children}</div>;
