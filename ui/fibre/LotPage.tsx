'use client';
import { Button } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { LotView } from '@/contract/views';
import { dyeableShare, printComposition, printFinishes } from '@/core/fibre/lot';
import { figureText } from '@/core/figure';
import { errorText, post } from '../api/http';
import { useLoaded } from '../api/useLoaded';
import { LotFastness } from '../fastness/LotFastness';
import { LotResults } from '../look/LotResults';
import { FailedPage } from '../shell/FailedPage';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { later } from '../shell/later';
import { Notice } from '../shell/Notice';
import { Page } from '../shell/Page';
import { LotBody } from './LotBody';

const LotForm = later(() => import('./LotForm').then((module) => module.LotForm));
const SplitForm = later(() => import('./SplitForm').then((module) => module.SplitForm));
const TreatmentForm = later(() => import('./TreatmentForm').then((module) => module.TreatmentForm));
const CompareLots = later(() => import('./CompareLots').then((module) => module.CompareLots));

/** One lot with everything that can be done to it. */
export function LotPage({ lotId }: { lotId: string }) {
  const loaded = useLoaded<LotView>(`/lots/${lotId}`);
  const print = usePrint();
  const [open, setOpen] = useState<'edit' | 'add' | 'split' | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  if (loaded.state === 'loading') return <LoadingPage title="The lot" />;
  if (loaded.state === 'failed') return <FailedPage title="The lot" why={loaded.why} retry={loaded.retry} />;
  const lot = loaded.value;
  const share = dyeableShare(lot.composition);
  const close = () => setOpen(null);
  const retire = (retired: boolean) =>
    void post(`/lots/${lot.id}/retire`, { revision: lot.revision, retired }).then(loaded.reload, (error: unknown) => setProblem(errorText(error)));
  return (
    <Page
      title={lot.name}
      under={
        <>
          <span className="totals">{figureText(lot.dryWeightG, print.mass)} dry</span>
          <span>{printComposition(lot.composition)}</span>
          <span>
            {lot.form}, {lot.pieces} {lot.pieces === 1 ? 'piece' : 'pieces'}
          </span>
          <span>{printFinishes(lot.finishes)}</span>
          {lot.trial ? <Link href={`/swatches/trials/${lot.trial.id}`}>a piece of {lot.trial.name}</Link> : null}
          {share !== null && share < 1 ? <span>{Math.round(share * 100)} % of it takes dye</span> : null}
        </>
      }
      acts={
        lot.ended ? (
          lot.ended.how === 'retired' ? (
            <Button onClick={() => retire(false)}>Take it back</Button>
          ) : null
        ) : (
          <>
            <Button onClick={() => retire(true)}>Put away</Button>
            <LinkButton href={`/fibre/labels?ids=${lot.id}`}>Label</LinkButton>
            <Button onClick={() => setOpen('split')}>Split</Button>
            <Button onClick={() => setOpen('edit')}>Change</Button>
            <Button type="primary" onClick={() => setOpen('add')}>
              Add to its past
            </Button>
          </>
        )
      }
    >
      {problem ? <Notice kind="fault">{problem}</Notice> : null}
      <LotBody lot={lot} />
      <LotResults lot={lot} />
      <LotFastness lot={lot} />
      <CompareLots lot={lot} />
      {open === 'edit' ? <LotForm lot={lot} onClose={close} /> : null}
      {open === 'split' ? <SplitForm lot={lot} onClose={close} /> : null}
      {open === 'add' ? <TreatmentForm lotId={lot.id} onClose={close} /> : null}
    </Page>
  );
}
