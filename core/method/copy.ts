import { STARTER } from '../shelf/library';
import type { Shelf } from '../shelf/lookup';
import { type Method, refsOf } from './method';

/** A copy to edit: its own id, version 1, and where it came from. */
export const copyMethod = (method: Method, id: string): Method => ({
  ...method,
  id,
  version: 1,
  name: `${method.name}, my way`,
  copyOf: { id: method.id, version: method.version },
});

/**
 * What is wrong with a method that has the right shape: parameters it names but does not have, keys twice, a usual
 * figure outside its own range, substances nobody knows. Empty when it can be trusted.
 */
export function methodFaults(method: Method, shelf: Shelf = STARTER): { readonly at: string; readonly message: string }[] {
  const faults: { at: string; message: string }[] = [];
  const keys = new Set<string>();
  method.params.forEach((param, i) => {
    if (keys.has(param.key)) faults.push({ at: `params.${i}.key`, message: `Two figures are called “${param.key}”.` });
    keys.add(param.key);
    if (param.min > param.max) faults.push({ at: `params.${i}`, message: `${param.label}: the least is above the most.` });
    if (param.usual !== null && (param.usual < param.min || param.usual > param.max))
      faults.push({ at: `params.${i}.usual`, message: `${param.label}: the usual figure lies outside ${param.min}–${param.max} ${param.unit}.` });
  });
  const stepKeys = new Set<string>();
  method.steps.forEach((step, i) => {
    if (stepKeys.has(step.key)) faults.push({ at: `steps.${i}.key`, message: `Two steps are called “${step.key}”.` });
    stepKeys.add(step.key);
    if (step.phases.length === 0) faults.push({ at: `steps.${i}.phases`, message: `${step.title} has nothing to do.` });
    for (const ref of refsOf(step)) {
      if (typeof ref !== 'number' && !keys.has(ref.param))
        faults.push({ at: `steps.${i}`, message: `${step.title} uses “${ref.param}”, which is not among the figures.` });
    }
    step.additions.forEach((rule, j) => {
      const at = `steps.${i}.additions.${j}.substance`;
      if ((rule.phase ?? 0) >= step.phases.length)
        faults.push({ at: `steps.${i}.additions.${j}.phase`, message: `${step.title} has no phase ${(rule.phase ?? 0) + 1} to put it in.` });
      if (rule.rule === 'blocked' || rule.rule === 'times' || rule.substance === 'dyestuff' || rule.substance === 'water') return;
      if (!shelf.assistant(rule.substance) && !shelf.dyestuff(rule.substance))
        faults.push({ at, message: `“${rule.substance}” is not on the shelf. Add it there first, or change the method.` });
    });
    if (step.bath?.of !== undefined && step.bath.of !== 'water' && !shelf.assistant(step.bath.of))
      faults.push({ at: `steps.${i}.bath.of`, message: `“${step.bath.of}” is not on the shelf.` });
  });
  const asksPlant = method.steps.some((step) => step.additions.some((rule) => rule.substance === 'dyestuff'));
  if (asksPlant && !method.needsDyestuff) faults.push({ at: 'needsDyestuff', message: 'It weighs in a dyestuff, so it must ask for one.' });
  return faults;
}
