import { isSpan, leastOf, mostOf } from '../figure';
import type { MethodBook } from '../method/library';
import { rangedParams } from '../method/method';
import { labelForm } from '../shelf/forms';
import type { Shelf } from '../shelf/lookup';
import type { Draft } from './draft';

/**
 * What a draft names that is not there, and figures outside their own range: each at its place, so that 1e9 % is
 * pointed out in the field it was typed in. Empty when it can be planned.
 */
export function draftFaults(draft: Draft, methods: MethodBook, shelf: Shelf): { readonly at: string; readonly message: string }[] {
  const faults: { at: string; message: string }[] = [];
  draft.chain.forEach((item, i) => {
    const at = `chain.${i}`;
    const method = methods.find(item.methodId, item.methodVersion);
    if (!method) {
      faults.push({ at: `${at}.methodId`, message: 'This method is not in the library.' });
      return;
    }
    if (item.dyestuffId !== null && !shelf.dyestuff(item.dyestuffId)) faults.push({ at: `${at}.dyestuffId`, message: 'This dyestuff is not on the shelf.' });
    for (const plant of item.morePlants ?? [])
      if (!shelf.dyestuff(plant.dyestuffId)) faults.push({ at: `${at}.morePlants.${plant.id}`, message: 'This dyestuff is not on the shelf.' });
    for (const [key, value] of Object.entries(item.params)) {
      const param = method.params.find((one) => one.key === key);
      if (!param) faults.push({ at: `${at}.params.${key}`, message: `${method.name} has no parameter “${key}”.` });
      else if (value !== null && ((leastOf(value) ?? 0) < param.min || (mostOf(value) ?? 0) > param.max))
        faults.push({ at: `${at}.params.${key}`, message: `${param.label}: between ${param.min} and ${param.max} ${param.unit}.` });
      else if (isSpan(value) && !rangedParams(method).has(key)) faults.push({ at: `${at}.params.${key}`, message: `${param.label}: one figure stands here.` });
    }
  });
  for (const [stepId, extras] of Object.entries(draft.extras ?? {}))
    for (const { id, substance } of extras)
      if (!shelf.dyestuff(substance) && !shelf.assistant(substance))
        faults.push({ at: `steps.${stepId}.${id}`, message: 'This is not on the shelf. Put it there, or choose another.' });
  for (const [substance, label] of Object.entries(draft.labels ?? {})) {
    if (!labelForm(substance, label)) faults.push({ at: `labels.${substance}`, message: 'This form is not one of its labels.' });
  }
  return faults;
}
