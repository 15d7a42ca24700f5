'use client';
import { useState } from 'react';
import { hexOfLab, type Lab } from '@/core/colour/lab';
import { countText } from '@/core/measure/print';
import { dryOf, type Drying as Learnt, wetFor } from '@/core/swatch/drying';
import { useLoaded } from '../api/useLoaded';
import { Field } from '../form/Field';
import { TypedInput } from '../form/TypedInput';
import { typedValue } from '../form/typed';
import { labReader } from './labReader';
import { Patch } from './Patch';

interface Props {
  readonly lotId: string;
  /** What it is in now, where its past does not say it yet. */
  readonly dye?: string | null;
  /** How it looks wet; null: nobody read it. */
  readonly wet: Lab | null;
}

/** From wet to dry, as one's own results went: what it will be, and what it must look like to end near a colour. */
export function Drying({ lotId, dye = null, wet }: Props) {
  const loaded = useLoaded<{ drying: Learnt | null }>(`/lots/${lotId}/drying${dye ? `?dye=${encodeURIComponent(dye)}` : ''}`);
  const [near, setNear] = useState('');
  if (loaded.state !== 'ready') return null;
  const { drying } = loaded.value;
  if (!drying)
    return (
      <p className="quiet">
        How it dries is not known here yet: it is learnt from colours read wet and again dry, by a card or typed. Fibre dries paler, two or three shades (common
        practice).
      </p>
    );
  const target = typedValue(labReader(), near);
  return (
    <div className="stack stack-tight">
      {wet ? <Shade says="Dry it may be about" lab={dryOf(wet, drying)} /> : null}
      <Field label="To end near">
        {(id) => <TypedInput id={id} value={near} read={labReader()} onChange={setNear} placeholder="#c9a23a" style={{ maxWidth: 240 }} />}
      </Field>
      {target ? <Shade says="lift it when wet it looks like this:" lab={wetFor(target, drying)} /> : null}
      <p className="quiet">
        Learnt from {countText(drying.n, 'result')}: {drying.of}.{' '}
        {drying.spread === null ? 'One alone: how far others differ is not known.' : `They spread by ΔE ${drying.spread.toFixed(1)}.`}
      </p>
    </div>
  );
}

const Shade = ({ says, lab }: { says: string; lab: Lab }) => (
  <p className="line line-tight">
    {says} <Patch hex={hexOfLab(lab)} sizePx={32} /> <span className="figure">{hexOfLab(lab)}</span>
  </p>
);
