'use client';
import { Button } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { TrialLine } from '@/contract/views';
import { countText } from '@/core/measure/print';
import { useNow } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { EmptyPlace } from '../shell/EmptyPlace';
import { FailedPage } from '../shell/FailedPage';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { later } from '../shell/later';
import { Page } from '../shell/Page';
import { Rows } from '../shell/Rows';

const TrialMaker = later(() => import('./TrialMaker').then((module) => module.TrialMaker));

/** Every trial, and how far it is looked at. */
export function TrialsPage() {
  const print = usePrint();
  const now = useNow(60_000);
  const loaded = useLoaded<TrialLine[]>('/trials');
  const [making, setMaking] = useState(false);
  if (loaded.state === 'loading') return <LoadingPage title="Trials" />;
  if (loaded.state === 'failed') return <FailedPage title="Trials" why={loaded.why} retry={loaded.retry} />;
  const trials = loaded.value;
  const make = (
    <Button type="primary" onClick={() => setMaking(true)}>
      Make a trial
    </Button>
  );
  return (
    <Page
      title="Trials"
      under={<span>{countText(trials.length, 'trial')}</span>}
      acts={
        <>
          <LinkButton href="/swatches">The wall</LinkButton>
          {trials.length > 0 ? make : null}
        </>
      }
    >
      {trials.length === 0 ? (
        <EmptyPlace act={make}>
          A trial is a set of small pieces made to be compared: one thing changed, or a grid of several. It says beforehand how many pieces it takes and what it
          can tell.
        </EmptyPlace>
      ) : (
        <Rows
          label={countText(trials.length, 'trial')}
          items={trials}
          keyOf={(trial) => trial.id}
          render={(trial) => (
            <div className="row">
              <span className="row-main">
                <Link href={`/swatches/trials/${trial.id}`} className="row-name">
                  {trial.name}
                </Link>
                <span className="quiet">
                  {trial.withdrawn ? 'given up · ' : ''}
                  {trial.seen} of {countText(trial.pieces, 'piece')} looked at
                </span>
              </span>
              <span className="quiet">{print.date(trial.createdAtMs, now)}</span>
            </div>
          )}
        />
      )}
      {making ? <TrialMaker onClose={() => setMaking(false)} /> : null}
    </Page>
  );
}
