import { type Known, oneOf } from '../figure';
import { resolveRef, type StepTemplate } from '../method/method';
import type { PhAim } from './phAim';

/** A method's aim with its figures filled in; nothing where both ends are unknown. Ends said the other way round are the same aim. */
export function phAimOf(aim: StepTemplate['phAim'], params: Readonly<Record<string, Known>>): { phAim?: PhAim } {
  const [low, high] = [aim?.low ?? null, aim?.high ?? null].map((ref) => (ref === null ? null : oneOf(resolveRef(ref, params))));
  if (low === undefined || high === undefined || (low === null && high === null)) return {};
  return { phAim: low !== null && high !== null && low > high ? { low: high, high: low } : { low, high } };
}
