'use client';
import { Checkbox } from 'antd';
import Link from 'next/link';
import type { LotView } from '@/contract/views';
import { printComposition } from '@/core/fibre/lot';
import { figureText } from '@/core/figure';
import { countText } from '@/core/measure/print';
import { usePrint } from '../shell/facts';
import { Rows } from '../shell/Rows';
import { Hem } from './Hem';
import { ANSWER_WORD } from './lotText';

interface Props {
  readonly lots: readonly LotView[];
  readonly chosen: ReadonlySet<string>;
  readonly onToggle: (id: string) => void;
  /** The lot that is shown beside the list. */
  readonly looked: string | null;
  readonly onLook: (id: string) => void;
}

/** A swatch of what the lot looks like now. */
const PATCH = {
  flex: 'none',
  display: 'grid',
  placeItems: 'center',
  width: 38,
  height: 38,
  borderRadius: 3,
  border: '1px solid var(--line-strong)',
} as const;

/** Lots as rows: what each is, its past as a hem, and what it weighs. */
export function LotList({ lots, chosen, onToggle, looked, onLook }: Props) {
  const print = usePrint();
  return (
    <Rows
      label={countText(lots.length, 'lot')}
      items={lots}
      keyOf={(lot) => lot.id}
      render={(lot) => (
        <div className={lot.id === looked ? 'row row-chosen' : 'row'} onPointerDown={() => onLook(lot.id)}>
          <Checkbox aria-label={`Choose ${lot.name}`} checked={chosen.has(lot.id)} onChange={() => onToggle(lot.id)} />
          <span style={{ ...PATCH, background: lot.seenHex ?? lot.baseHex ?? 'var(--card)' }} aria-hidden="true">
            {(lot.seenHex ?? lot.baseHex) ? '' : '?'}
          </span>
          <div className="row-main">
            <Link href={`/fibre/${lot.id}`} className="row-name" onFocus={() => onLook(lot.id)}>
              {lot.name}
            </Link>
            <span className="quiet">
              {printComposition(lot.composition)} · {lot.form}
              {lot.pieces > 1 ? ` · ${lot.pieces} pieces` : ''}
              {lot.finishes?.length ? ` · ${lot.finishes.join(', ')}` : ''}
            </span>
          </div>
          <span className="only-wide" style={{ width: 190 }}>
            <Hem passport={lot.passport} />
          </span>
          <span className="quiet cell">mordanted: {lot.ended ? 'no more' : ANSWER_WORD[lot.passport.state.mordant]}</span>
          <span className="figure row-figure">{figureText(lot.dryWeightG, print.mass)}</span>
        </div>
      )}
    />
  );
}
