'use client';
import Link from 'next/link';
import type { SwatchView } from '@/contract/views';
import { difference } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import { countText } from '@/core/measure/print';
import type { Plan } from '@/core/plan/plan';
import { stepOfResult } from '@/core/swatch/swatch';
import { useLoaded } from '../api/useLoaded';
import { Patch } from '../look/Patch';
import { Panel } from '../shell/Page';
import { SwatchTile, TILE_PX } from './SwatchTile';

/** What came out of a run; nothing at all where nobody looked yet. */
export function RunResults({ runId, plan }: { runId: string; plan: Plan }) {
  const swatches = useLoaded<SwatchView[]>(`/swatches?runId=${runId}`);
  if (swatches.state !== 'ready' || swatches.value.length === 0) return null;
  return (
    <Panel title="What came out" label="What came out">
      <div style={{ display: 'grid', gridTemplateColumns: `repeat(auto-fill, minmax(${TILE_PX}px, 1fr))`, gap: 12 }}>
        {swatches.value.map((swatch) => (
          <SwatchTile key={swatch.id} swatch={swatch} deltaE={null}>
            <span style={{ display: 'grid', gridColumn: '1 / -1' }}>
              <Link href={`/fibre/${swatch.lotId}`}>{swatch.name}</Link>
              <span className="quiet small">{swatch.lot}</span>
              <Expected swatch={swatch} plan={plan} />
            </span>
          </SwatchTile>
        ))}
      </div>
    </Panel>
  );
}

/** What the plan had guessed, and how far it was off. A wet colour says nothing of it yet. */
function Expected({ swatch, plan }: { swatch: SwatchView; plan: Plan }) {
  const stepId = stepOfResult(swatch.id)?.stepId;
  const lot = plan.lots.find(({ id }) => id === swatch.lotId);
  const hex = stepId && lot?.expectedHex[stepId];
  if (!hex) return null;
  const results = lot.expectedFrom?.[stepId] ?? 0;
  const isDry = swatch.colour?.state === 'dry' || swatch.colour?.state === 'cured';
  const off = swatch.colour && isDry ? difference(labOf(hex), swatch.colour.lab) : null;
  return (
    <span className="line line-tight small">
      <Patch hex={hex} sizePx={18} />
      <span>
        expected {hex}, {results > 0 ? `by ${countText(results, 'result')} of yours` : 'an estimate'}
        {off ? `: it came ${off.deltaE < 1 ? 'as expected' : `out ${off.words}`}, ΔE ${off.deltaE.toFixed(1)}` : ''}
      </span>
    </span>
  );
}
