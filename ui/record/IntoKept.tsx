'use client';
import { Button, Select } from 'antd';
import { useState } from 'react';
import type { BathView } from '@/contract/baths';
import type { BathLeft } from '@/core/run/bathsLeft';
import { mixing } from '@/core/safety/rules/together';
import type { Shelf } from '@/core/shelf/lookup';
import { Caution } from '../shell/Findings';
import { INTO_KEPT_PX } from './intoKeptPx';

interface Props {
  readonly kept: readonly BathView[];
  readonly bath: BathLeft;
  readonly shelf: Shelf;
  readonly onPour: (into: BathView) => void;
}

/** Into a master pot, or a waste jug: what must not meet there is said before it is poured (safety handbook X1–X3). */
export function IntoKept({ kept, bath, shelf, onPour }: Props) {
  const [into, setInto] = useState<string | null>(null);
  const chosen = kept.find(({ liquor }) => liquor.id === into);
  return (
    <span className="line line-tight">
      <Select
        size="small"
        placeholder="Into a kept jar or jug"
        aria-label="Into a kept jar or jug"
        value={into}
        options={kept.map(({ liquor }) => ({ value: liquor.id, label: liquor.name }))}
        onChange={(id: string) => setInto(id)}
        style={{ width: INTO_KEPT_PX }}
      />
      {chosen ? (
        <>
          <Button size="small" onClick={() => onPour(chosen)}>
            Pour it there
          </Button>
          <Meets bath={bath} into={chosen} shelf={shelf} />
        </>
      ) : null}
    </span>
  );
}

function Meets({ bath, into, shelf }: { bath: BathLeft; into: BathView; shelf: Shelf }) {
  const mine = bath.balance.solutes.map(({ substance }) => substance);
  const had = new Set([...mixing(mine, shelf), ...mixing(into.holds, shelf)].map(({ text }) => text));
  const said = mixing([...mine, ...into.holds], shelf).filter(({ text }) => !had.has(text));
  return said.map(({ rule, severity, text }) => <Caution key={rule} severity={severity} text={text} />);
}
