export const HEAT_KINDS = ['hotplate', 'gas', 'campBurner', 'charcoal', 'microwave', 'oven'] as const;
export interface HeatSource {
  readonly id: string;
  readonly name: string;
  readonly maxW: number | null;
  readonly kind: (typeof HEAT_KINDS)[number];
  readonly outdoors: boolean;
  /** Nobody cooks with it; missing: nobody said, so somebody does. */
  readonly dyeOnly?: boolean | undefined;
}
