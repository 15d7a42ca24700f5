/** Whether this page was kept by this device and opened without the server (`public/sw.js` marks it). */
export const isKeptPage = (): boolean => typeof document !== 'undefined' && document.documentElement.dataset.kept !== undefined;

/** The server was heard: what this page shows from now on is new, and what it opens is kept as any other. */
export function isNewAgain(): void {
  if (isKeptPage()) delete document.documentElement.dataset.kept;
}
