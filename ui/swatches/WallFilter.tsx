'use client';
import { Cascader } from 'antd';
import { useState } from 'react';
import type { FactorIndex, FactorPick } from '@/core/swatch/filter';
import { useLoaded } from '../api/useLoaded';

interface Props {
  readonly picks: readonly FactorPick[];
  readonly onPicks: (picks: readonly FactorPick[], index: readonly FactorIndex[]) => void;
}

/** By everything that is written down of a result; asked for when somebody wants to filter, not before. */
export function WallFilter({ picks, onPicks }: Props) {
  const [wanted, setWanted] = useState(false);
  return wanted ? (
    <Factors picks={picks} onPicks={onPicks} />
  ) : (
    <Cascader
      aria-label="Only with"
      placeholder="only with …"
      open={false}
      onClick={() => setWanted(true)}
      onFocus={() => setWanted(true)}
      style={{ width: 240 }}
    />
  );
}

function Factors({ picks, onPicks }: Props) {
  const loaded = useLoaded<FactorIndex[]>('/swatches/factors');
  const index = loaded.state === 'ready' ? loaded.value : [];
  return (
    <Cascader
      aria-label="Only with"
      placeholder="only with …"
      multiple
      autoFocus
      defaultOpen
      allowClear
      maxTagCount="responsive"
      showCheckedStrategy={Cascader.SHOW_CHILD}
      showSearch
      loading={loaded.state === 'loading'}
      notFoundContent={loaded.state === 'failed' ? loaded.why : loaded.state === 'loading' ? 'a moment …' : 'nothing so'}
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
