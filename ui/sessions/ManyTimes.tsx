'use client';
import { Button, Progress, Segmented } from 'antd';
import { useRef, useState } from 'react';
import { countText } from '@/core/measure/print';
import type { Plan } from '@/core/plan/plan';
import { MANNERS, type Manner, type Report, reportOf, type Tried } from '@/core/rehearse/manyTimes';
import type { RehearseWorker } from '@/workers/rehearse.worker';
import { errorText } from '../api/http';
import { useThread } from '../api/useThread';
import { usePrint } from '../shell/facts';
import { Notice } from '../shell/Notice';
import { MANNER_SAYS, troubleText } from './rehearseText';

/** So often a plan is gone through. */
export const TIMES = 100;
/** So often the line that grows is drawn. */
const EVERY = 4;

/** The plan gone through a hundred times by a dyer of one's choosing: what goes wrong, how often, and what to change. Nothing of it is kept. */
export function ManyTimes({ plan }: { plan: Plan }) {
  const print = usePrint();
  const thread = useThread<RehearseWorker>(() => new Worker(new URL('../../workers/rehearse.worker.ts', import.meta.url), { type: 'module' }));
  const [manner, setManner] = useState<Manner>('late');
  const [done, setDone] = useState<number | null>(null);
  const [report, setReport] = useState<Report | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const stopped = useRef(false);

  const go = async () => {
    const worker = thread.current;
    if (!worker) return;
    stopped.current = false;
    setReport(null);
    setProblem(null);
    setDone(0);
    const tried: Tried[] = [];
    try {
      await worker.begin(plan, manner);
      while (tried.length < TIMES && !stopped.current) {
        const one = await worker.once();
        if (one) tried.push(one);
        if (tried.length % EVERY === 0) setDone(tried.length);
      }
      if (tried.length > 0) setReport(reportOf(plan, tried));
    } catch (error) {
      setProblem(errorText(error));
    }
    setDone(null);
  };
  const isGoing = done !== null;
  return (
    <div className="stack">
      <p>A dyer who is</p>
      <Segmented aria-label="What kind of dyer" value={manner} disabled={isGoing} options={[...MANNERS]} onChange={setManner} />
      <p className="quiet">{MANNER_SAYS[manner]} A guess at people, with a simulated pot; nothing of it reaches stock, passports or learning.</p>
      <div className="line">
        {isGoing ? (
          <>
            <Progress percent={Math.round((100 * done) / TIMES)} style={{ flex: '1 1 200px' }} />
            <Button
              onClick={() => {
                stopped.current = true;
              }}
            >
              Stop
            </Button>
          </>
        ) : (
          <Button type="primary" onClick={() => void go()}>
            Go through it {TIMES} times
          </Button>
        )}
      </div>
      {problem ? <Notice kind="fault">{problem}</Notice> : null}
      {report ? (
        <section aria-label="What the rehearsal tells" className="stack">
          <p>
            <strong>
              {report.cleanTimes} of {report.times} times all went well.
            </strong>{' '}
            Planned until {print.date(report.plannedOverMs, report.plannedOverMs)}; nine in ten were over by{' '}
            {print.date(report.mostlyOverMs, report.plannedOverMs)}.
          </p>
          {report.troubles.length === 0 ? null : (
            <ul className="stack stack-tight">
              {report.troubles.map((trouble) => {
                const { says, change } = troubleText(trouble, plan, print.temperature);
                return (
                  <li key={`${trouble.kind} ${says}`}>
                    <strong>{countText(trouble.times, 'time')}</strong> {says}. <span className="quiet">{change}</span>
                  </li>
                );
              })}
            </ul>
          )}
        </section>
      ) : null}
    </div>
  );
}
