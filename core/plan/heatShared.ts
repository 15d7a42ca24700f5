import type { Vessel } from '../kitchen/vessel';
import type { Finding } from '../safety/finding';

/** Pots that are on the heat at this moment on one and the same source. */
export function heatShared(
  hot: readonly { readonly stepId: string; readonly vessel: Pick<Vessel, 'name' | 'heatSourceId'> }[],
  heatName: (id: string) => string,
): Finding[] {
  return hot.flatMap(({ stepId, vessel }, i) => {
    const { heatSourceId } = vessel;
    const before = heatSourceId === null ? undefined : hot.slice(0, i).find((one) => one.vessel.heatSourceId === heatSourceId);
    if (heatSourceId === null || !before) return [];
    const text = `${heatName(heatSourceId)} is on under ${before.vessel.name} and under ${vessel.name} at once: one plate heats one pot. Take one off.`;
    return [{ rule: 'kitchen', severity: 'caution', stepId, text }];
  });
}
