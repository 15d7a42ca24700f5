'use client';
import { Cascader } from 'antd';
import type { FactorIndex, FactorPick } from '@/core/swatch/filter';

interface Props {
  readonly index: readonly FactorIndex[];
  /** Said where there is nothing to choose from. */
  readonly says: string;
  readonly picks: readonly FactorPick[];
  readonly onPicks: (picks: readonly FactorPick[]) => void;
  readonly onWanted: () => void;
}

/** By everything that is written down of a result. */
export function WallFilter({ index, says: none, picks, onPicks, onWanted }: Props) {
  return (
    <Cascader
      aria-label="Only with"
      placeholder="only with …"
      multiple
      allowClear
      maxTagCount="responsive"
      showCheckedStrategy={Cascader.SHOW_CHILD}
      showSearch
      onOpenChange={(open) => open && onWanted()}
      notFoundContent={none}
      value={picks.map((pick) => [...pick])}
      options={index.map(({ what, values }) => ({
        value: what,
        label: what,
        children: values.map(({ says, ids }) => ({ value: says, label: `${says} (${ids.length})` })),
      }))}
      onChange={(chosen) => onPicks(picksOf(chosen as string[][], index))}
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
