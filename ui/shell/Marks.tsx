/** The two signals, each with a shape of its own so that nothing hangs on its colour. */
export const HandMark = ({ size = 20 }: { size?: number }) => (
  <svg width={size} height={size} viewBox="0 0 20 20" aria-hidden="true" className="hand-mark">
    <circle fill="var(--amber)" cx="10" cy="10" r="10" />
    <path fill="var(--card)" d="M6 15V9.2a1 1 0 0 1 2 0V7a1 1 0 0 1 2 0v-.6a1 1 0 0 1 2 0V8a1 1 0 0 1 2 0v3.6A3.6 3.6 0 0 1 10.4 15.4H7.6z" />
  </svg>
);

export const StopMark = ({ size = 20 }: { size?: number }) => (
  <svg width={size} height={size} viewBox="0 0 20 20" aria-hidden="true" className="stop-mark">
    <rect fill="var(--red)" x="1" y="1" width="18" height="18" rx="3" />
    <rect x="4.5" y="8" width="11" height="4" fill="var(--card)" />
  </svg>
);
