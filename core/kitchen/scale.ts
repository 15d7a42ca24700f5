export interface Scale {
  readonly id: string;
  readonly name: string;
  /** Its last digit, g. */
  readonly readsToG: number;
  readonly mostG: number | null;
}

/** The finest scale that carries the mass; null when there is none. */
export function scaleFor(scales: readonly Scale[], massG: number): Scale | null {
  const able = scales.filter((scale) => scale.mostG === null || scale.mostG >= massG);
  return able.reduce<Scale | null>((best, scale) => (best === null || scale.readsToG < best.readsToG ? scale : best), null);
}
