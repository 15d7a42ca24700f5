'use client';
import { useQuery } from '@tanstack/react-query';
import type { FactorIndex } from '@/core/swatch/filter';
import { errorText, get } from '../api/http';

const PATH = '/swatches/factors';
const NOTHING: readonly FactorIndex[] = [];

/** What is written down of all results; asked for once somebody wants to filter, and kept up to date since. */
export function useFactors(wanted: boolean): { readonly index: readonly FactorIndex[]; readonly says: string } {
  const { data, error } = useQuery({ queryKey: [PATH], queryFn: () => get<FactorIndex[]>(PATH), enabled: wanted });
  return { index: data ?? NOTHING, says: error ? errorText(error) : data ? 'nothing so' : 'a moment …' };
}
