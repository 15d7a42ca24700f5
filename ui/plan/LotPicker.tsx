'use client';
import Link from 'next/link';
import { useState } from 'react';
import type { LotView } from '@/contract/views';
import { printComposition } from '@/core/fibre/lot';
import { sumFigures } from '@/core/figure';
import { printMass } from '@/core/measure/print';
import { Hem } from '../fibre/Hem';
import { figureText } from '../fibre/lotText';

const SHOWN = 8;

/** Lots to work on: what each weighs and what is known of its past, so that a surprise comes now and not in the pot. */
export function LotPicker({ lots, chosen, onChoose }: { lots: readonly LotView[]; chosen: readonly string[]; onChoose: (ids: string[]) => void }) {
  const [text, setText] = useState('');
  const found = lots.filter((lot) => chosen.includes(lot.id) || lot.name.toLowerCase().includes(text.trim().toLowerCase()));
  const toggle = (id: string) => onChoose(chosen.includes(id) ? chosen.filter((had) => had !== id) : [...chosen, id]);
  const total = sumFigures(lots.filter((lot) => chosen.includes(lot.id)).map((lot) => lot.dryWeightG));
  return (
    <fieldset className="lots">
      <legend>Fibre</legend>
      {lots.length > SHOWN ? (
        <input
          type="search"
          className="search"
          aria-label="Find a lot"
          placeholder="Find a lot"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      ) : null}
      {lots.length === 0 ? (
        <p>
          No lots yet. <Link href="/fibre">Add your fibre first.</Link>
        </p>
      ) : null}
      {found.slice(0, Math.max(SHOWN, chosen.length)).map((lot) => (
        <label key={lot.id} className="lot-choice">
          <input type="checkbox" checked={chosen.includes(lot.id)} onChange={() => toggle(lot.id)} />
          <span className="yarn-dot" style={{ background: lot.baseHex ?? 'transparent' }} aria-hidden="true" />
          <span className="lot-name">
            {lot.name} <span className="quiet small">{printComposition(lot.composition)}</span>
          </span>
          <Hem passport={lot.passport} small />
          <span className="figure">{figureText(lot.dryWeightG, printMass)}</span>
        </label>
      ))}
      {chosen.length > 0 ? (
        <p className="quiet">
          Together {figureText(total, printMass)} dry.
          {total.state === 'unknown' ? ' Doses read unknown until every lot is weighed; the run asks for them.' : ''}
        </p>
      ) : null}
    </fieldset>
  );
}
