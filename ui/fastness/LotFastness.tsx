'use client';
import { Button } from 'antd';
import { useState } from 'react';
import type { FastnessView, LotView } from '@/contract/views';
import { printRating } from '@/core/colour/grades';
import { FASTNESS_KINDS, type FastnessKind } from '@/core/fastness/parts';
import { untestedText } from '@/core/fastness/untested';
import { countText } from '@/core/measure/print';
import { post } from '../api/http';
import { useNow } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { WhyDialog } from '../form/WhyDialog';
import { Caution } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { later } from '../shell/later';
import { Panel } from '../shell/Page';

const FastnessForm = later(() => import('./FastnessForm').then((module) => module.FastnessForm));
const FastnessLook = later(() => import('./FastnessLook').then((module) => module.FastnessLook));

const KIND_WORD: Record<FastnessKind, string> = { light: 'Light', wash: 'Washing' };

/** What a lot stands: untested, or tested here with its grades by the grey scales. */
export function LotFastness({ lot }: { lot: LotView }) {
  const loaded = useLoaded<FastnessView[]>(`/fastness?lotId=${lot.id}`);
  const [beginning, setBeginning] = useState<FastnessKind | null>(null);
  const [looking, setLooking] = useState<FastnessView | null>(null);
  const [endingId, setEndingId] = useState<string | null>(null);
  const views = loaded.state === 'ready' ? loaded.value : null;
  const careful = views?.some(({ grades }) => grades.length > 0) ? null : untestedText(lot, lot.passport);
  const ending = views?.find(({ test }) => test.id === endingId);
  return (
    <Panel title="What it stands" label="What it stands">
      {careful ? <Caution severity="caution" text={careful} /> : null}
      {FASTNESS_KINDS.map((kind) => {
        const own = views?.filter(({ test }) => test.kind === kind) ?? [];
        return (
          <section key={kind} aria-label={KIND_WORD[kind]} className="stack stack-tight">
            <div className="line line-tight">
              <h3>{KIND_WORD[kind]}</h3>
              {views && own.length === 0 ? <span className="quiet">untested</span> : null}
              {lot.ended || own.some(({ nextAtMs }) => nextAtMs !== null) ? null : (
                <Button size="small" onClick={() => setBeginning(kind)}>
                  {kind === 'light' ? 'Begin a light test' : 'Begin a wash test'}
                </Button>
              )}
            </div>
            {own.map((view) => (
              <OneTest key={view.test.id} view={view} onLook={() => setLooking(view)} onEnd={() => setEndingId(view.test.id)} />
            ))}
          </section>
        );
      })}
      {beginning ? <FastnessForm lot={lot} kind={beginning} onClose={() => setBeginning(null)} /> : null}
      {looking ? <FastnessLook view={looking} onClose={() => setLooking(null)} /> : null}
      {ending ? (
        <WhyDialog
          title="Give the test up"
          okText="Give it up"
          send={(reason) => post(`/fastness/${ending.test.id}/withdraw`, { reason, revision: ending.test.revision })}
          onClose={() => setEndingId(null)}
        />
      ) : null}
    </Panel>
  );
}

function OneTest({ view: { test, grades, nextAtMs, says }, onLook, onEnd }: { view: FastnessView; onLook: () => void; onEnd: () => void }) {
  const print = usePrint();
  const now = useNow(60_000);
  return (
    <div className="stack stack-tight">
      <p>
        <strong>Tested here: {says}</strong>
        {test.note ? <span className="quiet"> · {test.note}</span> : null}
        {test.withdrawn ? <span> · given up: {test.withdrawn.reason}</span> : null}
      </p>
      {grades.length > 0 ? (
        <p className="quiet">
          {grades
            .map(
              ({ day, change, stain }) => `${countText(day, 'day')}: change ${printRating(change)}${stain === null ? '' : `, staining ${printRating(stain)}`}`,
            )
            .join(' · ')}
          . Grey scales, 5 unchanged to 1.
        </p>
      ) : null}
      {test.withdrawn ? null : (
        <div className="line line-tight">
          <Button onClick={onLook}>Look at it now</Button>
          <span className={nextAtMs !== null && nextAtMs <= now ? 'vessel-due' : 'quiet'}>
            {nextAtMs === null ? 'All its looks are done.' : `Next look ${print.date(nextAtMs, now)}.`}
          </span>
          <Button type="text" onClick={onEnd}>
            Give it up
          </Button>
        </div>
      )}
    </div>
  );
}
