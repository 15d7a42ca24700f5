'use client';
import { Select } from 'antd';
import type { Vessel } from '@/core/kitchen/vessel';
import type { Hears } from '@/core/run/silence';

interface Props {
  readonly hears: Hears;
  readonly onHears: (hears: Hears) => void;
  /** Vessels of the run. */
  readonly vessels: readonly Vessel[];
}

const keyOf = (hears: Hears): string => (hears.kind === 'vessel' ? `vessel:${hears.vesselId}` : hears.kind);
const hearsOf = (key: string): Hears => (key === 'all' || key === 'stops' ? { kind: key } : { kind: 'vessel', vesselId: key.slice('vessel:'.length) });

/** For what this device calls. */
export const HearsSelect = ({ hears, onHears, vessels }: Props) => (
  <Select
    aria-label="What this device calls for"
    value={keyOf(hears)}
    onChange={(key) => onHears(hearsOf(key))}
    popupMatchSelectWidth={false}
    options={[
      { value: 'all', label: 'for everything' },
      ...vessels.map((vessel) => ({ value: `vessel:${vessel.id}`, label: `for ${vessel.name}` })),
      { value: 'stops', label: 'for stops only' },
    ]}
  />
);
