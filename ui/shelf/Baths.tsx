'use client';
import { Button } from 'antd';
import Link from 'next/link';
import type { BathView } from '@/contract/baths';
import { freshness } from '@/core/liquor/liquor';
import { countText, printNumber } from '@/core/measure/print';
import { useNow } from '../api/serverClock';
import { ageText, FRESH_WORD } from '../baths/keptWords';
import { useFastnessById } from '../fastness/useFastness';
import { EmptyPlace } from '../shell/EmptyPlace';
import { usePrint } from '../shell/facts';
import { Rows } from '../shell/Rows';

/** Kept baths: what each is, how old, and how much of it there is. The one that wants a look first stands first. */
export function Baths({ baths, onKeep }: { baths: readonly BathView[]; onKeep: () => void }) {
  const print = usePrint();
  const now = useNow(60_000);
  const fastness = useFastnessById();
  if (baths.length === 0)
    return (
      <EmptyPlace
        act={
          <Button type="primary" onClick={onKeep}>
            Keep a bath
          </Button>
        }
      >
        No kept baths. What is left of a dyebath still holds colour: keep it in a labelled, vented jar, and it can be planned with. A master pot begins here,
        too.
      </EmptyPlace>
    );
  const soonest = baths.toSorted((a, b) => (a.now.spoilByMs ?? Number.POSITIVE_INFINITY) - (b.now.spoilByMs ?? Number.POSITIVE_INFINITY));
  return (
    <Rows
      label="Kept baths"
      items={soonest}
      keyOf={({ liquor }) => liquor.id}
      render={({ liquor, now: stands, says, touched }) => {
        const state = freshness(stands, now);
        const stuff = fastness(liquor.dyestuffId);
        return (
          <div className="row">
            <div className="row-main">
              <Link className="row-name" href={`/shelf/baths/${liquor.id}`}>
                {liquor.name}
              </Link>
              <span>{print.says(says)}</span>
              <span className="quiet">
                {stands.keptIn}
                {stands.place ? `, ${stands.place}` : ''}; {stands.uses === 0 ? 'nothing dyed in it yet' : `given ${countText(stands.uses, 'bath')}`}
                {stands.ph === null ? '' : `; pH ${printNumber(stands.ph)}`}
                {touched.length > 0 ? `; touched ${touched.join(', ')}` : ''}
                {liquor.labelled ? '' : '; not labelled yet: contents, date, “not food”'}
                {stuff ? `; light and washing: ${stuff}` : ''}
              </span>
            </div>
            <span className="quiet cell">{ageText(now - liquor.madeAtMs)} old</span>
            <span className={state === 'past' ? 'cell fault' : 'cell'}>
              {FRESH_WORD[state]}
              {stands.spoilByMs === null ? '' : `, by ${print.day(stands.spoilByMs)}`}
            </span>
          </div>
        );
      }}
    />
  );
}
