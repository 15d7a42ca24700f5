import type { Lab } from './lab';

// Apart from `lab.ts`: who only grades a change has no use for the package that turns colours into each other.

export const chromaOf = ({ a, b }: Lab): number => Math.hypot(a, b);

/** Hue angle in degrees, 0–360; 0 for greys. */
export const hueOf = ({ a, b }: Lab): number => ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
