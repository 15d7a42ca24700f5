'use client';
import { Checkbox, Tag } from 'antd';
import { useMemo, useState } from 'react';
import type { LotView } from '@/contract/views';
import { findLots, indexLots } from '@/core/fibre/findLots';
import { printComposition } from '@/core/fibre/lot';
import { figureText, sumFigures } from '@/core/figure';
import { countText } from '@/core/measure/print';
import { Hem } from '../fibre/Hem';
import { EmptyPlace } from '../shell/EmptyPlace';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { Rows } from '../shell/Rows';
import { SearchField } from '../shell/SearchField';

/** With more lots than these one searches instead of looking, and the list scrolls by itself. */
const FEW = 8;
const LIST_PX = 380;
/** More than these are counted; they stand in the list below, ticked. */
const MOST_TAGS = 40;

/** Lots to work on: what each weighs and what is known of its past, so that a surprise comes now and not in the pot. */
export function LotPicker({ lots, chosen, onChoose }: { lots: readonly LotView[]; chosen: readonly string[]; onChoose: (ids: string[]) => void }) {
  const print = usePrint();
  const [text, setText] = useState('');
  const index = useMemo(() => indexLots(lots), [lots]);
  const found = useMemo(() => {
    const listed = findLots(index, { text, form: null, mordant: null });
    // What is ticked stays in the list, a trial's pieces among it.
    return text.trim() === '' ? [...listed, ...lots.filter((lot) => lot.trial && chosen.includes(lot.id))] : listed;
  }, [index, text, lots, chosen]);
  const toggle = (id: string) => onChoose(chosen.includes(id) ? chosen.filter((had) => had !== id) : [...chosen, id]);
  const chosenLots = lots.filter((lot) => chosen.includes(lot.id));
  const total = sumFigures(chosenLots.map((lot) => lot.dryWeightG));
  if (lots.length === 0)
    return (
      <EmptyPlace
        act={
          <LinkButton type="primary" href="/fibre">
            Add your fibre
          </LinkButton>
        }
      >
        No lots yet. A plan begins with the fibre it is for.
      </EmptyPlace>
    );
  return (
    <div className="stack">
      {lots.length > FEW ? (
        <>
          <SearchField label="Find a lot" value={text} onChange={setText} />
          {/* What is ticked stays in sight, whatever is searched for. */}
          <div className="line line-tight">
            {chosenLots.length > MOST_TAGS ? (
              <Tag closable={{ 'aria-label': 'Leave all of them out' }} onClose={() => onChoose([])}>
                {countText(chosenLots.length, 'lot')}
              </Tag>
            ) : null}
            {(chosenLots.length > MOST_TAGS ? [] : chosenLots).map((lot) => (
              <Tag key={lot.id} closable={{ 'aria-label': `Leave ${lot.name} out` }} onClose={() => toggle(lot.id)}>
                {lot.name}
              </Tag>
            ))}
          </div>
        </>
      ) : null}
      {found.length === 0 ? <p className="quiet">No lot has these words.</p> : null}
      <Rows
        label="Lots to choose from"
        items={found}
        keyOf={(lot) => lot.id}
        {...(lots.length > FEW ? { heightPx: LIST_PX } : {})}
        render={(lot) => (
          <div className="row">
            <Checkbox checked={chosen.includes(lot.id)} onChange={() => toggle(lot.id)}>
              <span className="yarn-dot" style={{ background: lot.seenHex ?? lot.baseHex ?? 'transparent' }} aria-hidden="true" /> {lot.name}{' '}
              <span className="quiet small">{printComposition(lot.composition)}</span>
            </Checkbox>
            <Hem passport={lot.passport} small />
            <span className="figure">{figureText(lot.dryWeightG, print.mass)}</span>
          </div>
        )}
      />
      {chosen.length > 0 ? (
        <p className="quiet">
          Together {figureText(total, print.mass)} dry.
          {total.state === 'unknown' ? ' Doses read unknown until every lot is weighed; the run asks for them.' : ''}
        </p>
      ) : null}
    </div>
  );
}
