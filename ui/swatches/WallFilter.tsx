'use client';
import { useQuery } from '@tanstack/react-query';
import { Cascader } from 'antd';
import { useState } from 'react';
import type { FactorIndex, FactorPick } from '@/core/swatch/filter';
import { errorText, get } from '../api/http';

const PATH = '/swatches/factors';
const NOTHING: readonly FactorIndex[] = [];

interface Props {
  readonly picks: readonly FactorPick[];
  readonly onPicks: (picks: readonly FactorPick[], index: readonly FactorIndex[]) => void;
}

/** By everything that is written down of a result; asked for when somebody opens it, not before. */
export function WallFilter({ picks, onPicks }: Props) {
  const [wanted, setWanted] = useState(false);
  const { data, error } = useQuery({ queryKey: [PATH], queryFn: () => get<FactorIndex[]>(PATH), enabled: wanted });
  const index = data ?? NOTHING;
  return (
    <Cascader
      aria-label="Only with"
      placeholder="only with …"
      multiple
      allowClear
      maxTagCount="responsive"
      showCheckedStrategy={Cascader.SHOW_CHILD}
      showSearch
      onOpenChange={(open) => open && setWanted(true)}
      notFoundContent={error ? errorText(error) : data ? 'nothing so' : 'a moment …'}
      value={picks.map((pick) => [...pick])}
      options={index.map(({ what, values }) => ({
        value: what,
        label: what,
        children: values.map(({ says, ids }) => ({ value: says, label: `${says} (${ids.length})` })),
      }))}
      onChange={(chosen) => onPicks(picksOf(chosen as string[][], index), index)}
      style={{ width: 240 }}
    />
  );
}

/** A factor picked whole is each of its values. */
const picksOf = (chosen: readonly (readonly string[])[], index: readonly FactorIndex[]): FactorPick[] =>
  chosen.flatMap(([what, says]): FactorPick[] =>
    what === undefined
      ? []
      : says === undefined
        ? (index.find((one) => one.what === what)?.values ?? []).map((value): FactorPick => [what, value.says])
        : [[what, says]],
  );
