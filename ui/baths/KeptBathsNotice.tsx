'use client';
import type { BathView } from '@/contract/baths';
import { knownValue, leastOf } from '@/core/figure';
import { above } from '@/core/measure/limits';
import { type Plan, plannedKnown } from '@/core/plan/plan';
import { useLoaded } from '../api/useLoaded';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { Notice } from '../shell/Notice';

/** A plan that wants a kept bath which was poured away, or is too little now: said at once, with what to do. */
export function KeptBathsNotice({ plan }: { plan: Plan }) {
  const print = usePrint();
  const wanted = plan.steps.filter(({ kind, liquorId }) => kind === 'reuse' && liquorId !== null);
  const loaded = useLoaded<BathView[]>('/baths');
  if (wanted.length === 0 || loaded.state !== 'ready') return null;
  const change = <LinkButton href={`/sessions/${plan.sessionId}/change`}>Change the plan</LinkButton>;
  return wanted.map(({ id, title, liquorId, water }) => {
    const bath = loaded.value.find(({ liquor }) => liquor.id === liquorId);
    if (!bath)
      return (
        <Notice key={id} kind="fault" acts={change}>
          {title}: this bath is no longer on the shelf. Choose another one, or make a fresh extraction.
        </Notice>
      );
    const [there, takes] = [knownValue(bath.now.volumeMl), water ? leastOf(plannedKnown(water)) : null];
    if (there === null || takes === null || !above(takes, there)) return null;
    return (
      <Notice key={id} kind="fault" acts={change}>
        {title}: {print.volume(takes)} of it are planned, and {print.volume(there)} are left. Take less, or top up with water and expect it paler.
      </Notice>
    );
  });
}
