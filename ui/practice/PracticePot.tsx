'use client';
import { Button, Segmented, Slider, Switch } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { printDuration } from '@/core/measure/print';
import { beginPractice, later, type Practice, type PracticeTask, pouredCold, scoreOf, scoreText, turned } from '@/core/rehearse/practice';
import { usePrint } from '../shell/facts';
import { later as fetchedLater } from '../shell/later';
import { Gauge } from '../stove/Gauge';

const CHART_PX = 260;
const TemperatureChart = fetchedLater(
  () => import('../record/TemperatureChart').then((module) => module.TemperatureChart),
  <div style={{ minHeight: CHART_PX }} />,
);

const SPEEDS = [1, 10, 60, 600] as const;
type Speed = (typeof SPEEDS)[number];
/** Its own time: it has no clock on the wall. */
const sinceBegin = (atMs: number): string => printDuration(Math.round(atMs / 60_000));
/** The pot moves on so often. */
const TICK_MS = 250;
const POUR_L = 0.5;

/** A simulated pot to hold by hand, faster than life, and what it came to. Nothing of it is kept. */
export function PracticePot({ task, onOver }: { readonly task: PracticeTask; readonly onOver?: (practice: Practice) => void }) {
  const print = usePrint();
  const [practice, setPractice] = useState(() => beginPractice(task));
  const [speed, setSpeed] = useState<Speed>(60);
  const [isGoing, setGoing] = useState(false);
  const [drag, setDrag] = useState<number | null>(null);
  const told = useRef(false);
  const { isOver } = practice;
  useEffect(() => {
    if (!isGoing || isOver) return;
    let lastMs = performance.now();
    const timer = setInterval(() => {
      const nowMs = performance.now();
      // A tab that slept has not practised meanwhile.
      const seconds = (Math.min(nowMs - lastMs, 4 * TICK_MS) / 1000) * speed;
      lastMs = nowMs;
      setPractice((one) => later(one, seconds));
    }, TICK_MS);
    return () => clearInterval(timer);
  }, [isGoing, isOver, speed]);
  useEffect(() => {
    if (!isOver || told.current) return;
    told.current = true;
    onOver?.(practice);
  }, [isOver, practice, onOver]);
  const again = () => {
    told.current = false;
    setPractice(beginPractice(task));
    setGoing(true);
  };
  const c = practice.state.bathC;
  const held = practice.heldFromS === null ? null : (practice.atS - practice.heldFromS) / 60;
  const score = isOver ? scoreText(practice, scoreOf(practice), print) : null;
  return (
    <section className="stack" aria-label="A pot to practise on">
      <div className="line">
        {isGoing && !isOver ? (
          <Button onClick={() => setGoing(false)}>Stand still</Button>
        ) : (
          <Button type="primary" onClick={isOver ? again : () => setGoing(true)}>
            {isOver ? 'Once more' : practice.atS === 0 ? 'Begin' : 'Go on'}
          </Button>
        )}
        <Segmented aria-label="How much faster than life" value={speed} options={SPEEDS.map((one) => ({ value: one, label: `${one}×` }))} onChange={setSpeed} />
      </div>
      <div className="line" style={{ alignItems: 'flex-start', flexWrap: 'nowrap' }}>
        <Gauge c={c} bandC={task.bandC} ceilingC={task.ceilingC} />
        <div className="stack stack-tight" style={{ flex: 1, minWidth: 0 }}>
          <p className="figure" style={{ fontSize: 32, fontWeight: 700 }}>
            {print.temperature(Math.round(c * 10) / 10)}
          </p>
          <p>
            {printDuration(Math.floor(practice.atS / 60))} on the heat
            {held === null
              ? ', not in its band yet'
              : `; ${printDuration(Math.floor(held))} of ${printDuration(task.holdMin)} gone since it came into its band`}
          </p>
          <div>
            knob {drag ?? practice.knob}
            <Slider
              ariaLabelForHandle="knob"
              min={0}
              max={10}
              step={0.5}
              value={drag ?? practice.knob}
              onChange={setDrag}
              onChangeComplete={(knob) => {
                setDrag(null);
                setPractice((one) => turned(one, { knob }));
              }}
            />
          </div>
          <div className="line">
            <span className="line line-tight">
              <Switch aria-label="lid on" checked={practice.hasLid} onChange={(hasLid) => setPractice((one) => turned(one, { hasLid }))} /> lid on
            </span>
            <Button onClick={() => setPractice((one) => pouredCold(one, POUR_L))}>Pour in {print.volume(POUR_L * 1000)}, cold</Button>
          </div>
        </div>
      </div>
      <div className="chart" style={{ height: CHART_PX }}>
        <TemperatureChart label="How the pot went" readings={practice.readings} bandC={task.bandC} ceilingC={task.ceilingC} timeText={sinceBegin} />
      </div>
      <div aria-live="polite">
        {score ? (
          <>
            <p>
              <strong>{print.says(score.says)}</strong>
            </p>
            <p>{score.advice}</p>
          </>
        ) : null}
      </div>
    </section>
  );
}
