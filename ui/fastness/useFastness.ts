'use client';
import { useMemo } from 'react';
import type { FastnessView } from '@/contract/views';
import { fastnessOfStuff } from '@/core/fastness/ofStuff';
import type { Dyestuff } from '@/core/shelf/dyestuff';
import { useLoaded } from '../api/useLoaded';

/** How a dyestuff stands light and washing: tested here, heard, or untested. Empty until the tests are there. */
export function useFastness(): (stuff: Dyestuff) => string {
  const tests = useLoaded<FastnessView[]>('/fastness');
  return useMemo(() => {
    const known = tests.state === 'ready' ? tests.value : null;
    return ({ name, fugitive }) =>
      known
        ? fastnessOfStuff(
            fugitive,
            known.filter(({ dyes }) => dyes.includes(name)),
          )
        : '';
  }, [tests]);
}

/** The same by id: empty for what is no dyestuff. */
export function useFastnessById(): (substance: string | null) => string {
  const dyestuffs = useLoaded<Dyestuff[]>('/dyestuffs');
  const fastness = useFastness();
  return useMemo(() => {
    const known = new Map(dyestuffs.state === 'ready' ? dyestuffs.value.map((one) => [one.id, one]) : []);
    return (substance) => {
      const stuff = substance === null ? undefined : known.get(substance);
      return stuff ? fastness(stuff) : '';
    };
  }, [dyestuffs, fastness]);
}
