'use client';
import { useQueries } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { LotView, SwatchView } from '@/contract/views';
import type { Look } from '@/core/swatch/look';
import { type Swatch, swatchesOf } from '@/core/swatch/swatch';
import { errorText, get } from '../api/http';

/** A result with all that made it. */
export interface Whole {
  readonly view: SwatchView;
  readonly lot: LotView;
  readonly swatch: Swatch;
}

/** Results with their lots and looks: a question for each lot. `whole` grows until all are there. */
export function useWhole(chosen: readonly SwatchView[]): { whole: readonly Whole[]; fault: string | null } {
  const lotIds = [...new Set(chosen.map((swatch) => swatch.lotId))];
  const lots = useQueries({ queries: lotIds.map((id) => ({ queryKey: [`/lots/${id}`], queryFn: () => get<LotView>(`/lots/${id}`) })) });
  const looks = useQueries({ queries: lotIds.map((id) => ({ queryKey: [`/lots/${id}/looks`], queryFn: () => get<Look[]>(`/lots/${id}/looks`) })) });
  const fault = [...lots, ...looks].find((query) => query.error)?.error;
  const known = [...lots, ...looks].map((query) => query.data);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the answers are what it is made of, however many there are
  const whole = useMemo(
    () =>
      chosen.flatMap((view): Whole[] => {
        const at = lotIds.indexOf(view.lotId);
        const [lot, own] = [lots[at]?.data, looks[at]?.data];
        const swatch =
          lot &&
          own &&
          swatchesOf(
            lot.id,
            lot.passport,
            own.filter((look) => look.lotIds.includes(lot.id)),
          ).find((one) => one.id === view.id);
        return lot && swatch ? [{ view, lot, swatch }] : [];
      }),
    [chosen, ...known],
  );
  return { whole, fault: fault ? errorText(fault) : null };
}
