import type { CSSProperties } from 'react';

/**
 * A neutral grey room: true greys, near-black ink. The only signals are amber with a hand (hands needed) and red with a bar
 * (stop). Every other colour on screen is yarn, cloth or liquor. Drawings and controls both take their colours from here.
 */
export const DAY = {
  room: '#e2e2e2',
  rail: '#d4d4d4',
  panel: '#f2f2f2',
  card: '#ffffff',
  ink: '#1c1c1c',
  ink2: '#4d4d4d',
  onInk: '#ffffff',
  line: '#c9c9c9',
  lineStrong: '#8c8c8c',
  band: '#d6d6d6',
  pleat: '#c8c8c8',
  amber: '#d98200',
  amberInk: '#8a5200',
  amberGround: '#fff1dc',
  red: '#a51d14',
  redGround: '#fbe6e4',
  water: '#dcdcdc',
};
export type RoomColours = typeof DAY;
export const NIGHT: RoomColours = {
  room: '#161616',
  rail: '#101010',
  panel: '#202020',
  card: '#292929',
  ink: '#ededed',
  ink2: '#bdbdbd',
  onInk: '#161616',
  line: '#424242',
  lineStrong: '#8a8a8a',
  band: '#0e0e0e',
  pleat: '#333333',
  amber: '#ffb547',
  amberInk: '#ffc46b',
  amberGround: '#3a2c12',
  red: '#ff8a80',
  redGround: '#43201d',
  water: '#3d3d3d',
};

/** The colours as custom properties: "ink2" is var(--ink-2), "lineStrong" var(--line-strong). */
export function roomStyle(night: boolean): CSSProperties {
  const named = Object.entries(night ? NIGHT : DAY).map(([name, hex]) => [`--${name.replace(/([A-Z]|\d)/g, (part) => `-${part.toLowerCase()}`)}`, hex]);
  return { ...Object.fromEntries(named), colorScheme: night ? 'dark' : 'light' };
}
