import { printAmount, printNumber, printVolume } from '../measure/print';
import { unreachable } from '../result';
import type { Balance, BalanceLine, Solute } from './balance';

/** "about 1.4 L" */
export const volumeText = ({ volumeMl, isEstimate }: Pick<Balance, 'volumeMl' | 'isEstimate'>): string =>
  volumeMl === null ? 'volume unknown' : `${isEstimate ? 'about ' : ''}${printVolume(volumeMl)}`;

/** "cream of tartar 4.3 g/L"; of matter and of what is gone nothing. */
export const soluteText = ({ substance, unit, perL, left, isMatter, isEstimate }: Solute, nameOf: (substance: string) => string): string | null =>
  isMatter || left === 0
    ? null
    : perL === null
      ? `${nameOf(substance)}, unknown how much`
      : `${nameOf(substance)} ${isEstimate ? 'about ' : ''}${printNumber(perL)} ${unit}/L`;

/** A bath in a line: how much there is, and what is in it per litre. */
export const balanceText = (balance: Balance, nameOf: (substance: string) => string): string =>
  [volumeText(balance), ...balance.solutes.flatMap((solute) => soluteText(solute, nameOf) ?? [])].join('; ');

/** What happened, in words: "topped up with water", "cream of tartar, 6 g". */
export function lineText({ act, changeMl }: BalanceLine, nameOf: (substance: string) => string): string {
  const about = act.isEstimate ? ', estimated' : '';
  switch (act.kind) {
    case 'water':
      return `${act.isTopUp ? 'topped up with water' : 'water'}${act.mL === null ? ', nobody knows how much' : ''}${about}`;
    case 'put':
      return `${nameOf(act.substance)}, ${act.amount === null ? 'nobody knows how much' : printAmount(act.amount, act.unit)}${about}`;
    case 'brought':
      return `with ${nameOf(act.substance)}, ${act.amount === null ? 'nobody knows how much' : printAmount(act.amount, act.unit)}${about}`;
    case 'from':
      return `${act.what}${act.isFirst ? '' : ' poured in'}${act.mL === null ? ', nobody knows how much' : ''}${about}`;
    case 'out':
      return `${act.way === 'goods' ? 'carried out by' : act.way === 'drawn' ? 'drawn off:' : 'poured away:'} ${act.what}${act.mL === null ? ', all of it' : ''}${about}`;
    case 'boiled':
      return `boiled off${about}`;
    case 'strained':
      return 'strained: the plants are out';
    case 'took':
      return `the goods took about ${Math.round(act.share.low * 100)}–${Math.round(act.share.high * 100)} % of the ${nameOf(act.substance)}, our estimate`;
    case 'read': {
      const off = changeMl === null ? 0 : changeMl;
      return off < 0 ? 'read: less than was written down (boiled off, drunk or carried out)' : off > 0 ? 'read: more than was written down' : 'read';
    }
    default:
      return unreachable(act);
  }
}
