import { boilingC } from '../heat/boiling';
import { isHeated } from '../plan/phase';
import type { Plan } from '../plan/plan';
import type { PracticeTask } from './practice';

/** A plate of which nobody said how strong it is, W. */
const USUAL_W = 1500;

/** The holds of a plan that can be practised: those with a band, in a pot of known size, in the order of the work. */
export function practiceTasks({
  steps,
  vessels,
  home,
}: Pick<Plan, 'steps' | 'vessels' | 'home'>): readonly { readonly stepId: string; readonly title: string; readonly task: PracticeTask }[] {
  return [...steps]
    .sort((a, b) => a.startMs - b.startMs)
    .flatMap((step) => {
      const hold = step.phases.find((phase) => phase.kind === 'hold');
      const vessel = vessels.find(({ id }) => id === step.vesselId);
      if (hold?.kind !== 'hold' || !isHeated(hold) || !hold.bandC || !vessel?.litres || vessel.kind !== 'pot') return [];
      const source = home.heatSources.find(({ id }) => id === vessel.heatSourceId);
      const task: PracticeTask = {
        litres: Math.max(0.5, (step.fit?.filledMl ?? vessel.litres * 500) / 1000),
        vesselLitres: vessel.litres,
        maxW: source?.maxW ?? USUAL_W,
        bandC: hold.bandC,
        ceilingC: hold.ceilingC,
        holdMin: hold.minutes.typical,
        boilC: boilingC(home.altitudeM),
      };
      return [{ stepId: step.id, title: step.title, task }];
    });
}
