'use client';
import { Button, Tour, type TourProps } from 'antd';
import { useEffect, useState } from 'react';
import { Notice } from '../shell/Notice';

const KEY = 'hyndle.tour';
const at = (name: string) => () => document.querySelector<HTMLElement>(`[data-tour="${name}"]`) ?? document.body;

const STOPS: NonNullable<TourProps['steps']> = [
  {
    title: 'What needs hands',
    description: 'Here stands the next act of everything that is on, large, with its clock. The rest waits below it.',
    target: at('now'),
  },
  {
    title: 'Your fibre',
    description: 'Each lot keeps what it is, what it weighs dry, and all that was ever done to it. “Unknown” is a good answer.',
    target: at('fibre'),
  },
  {
    title: 'The shelf and the home',
    description: 'Pots, plants and salts you have, and when you are home and awake. Plans are made of what stands here.',
    target: at('shelf'),
  },
  {
    title: 'A session',
    description:
      'Choose fibre and the steps in working order: grams, litres, pots and times are worked out, each with its working. Then start it, and the stove calls you.',
    target: at('sessions'),
  },
  { title: 'Find anything', description: 'Press / on any page, or touch here, and type the first letters of any word.', target: at('find') },
];

/** Five stops, offered on the first visit and taken when somebody wants them; closed once, it never comes again. */
export function FirstVisit() {
  const [stop, setStop] = useState<'offered' | number | null>(null);
  useEffect(() => {
    if (localStorage.getItem(KEY) === null) setStop('offered');
  }, []);
  const close = () => {
    localStorage.setItem(KEY, 'closed');
    setStop(null);
  };
  if (stop === null) return null;
  // Below everything: a page that is being read does not move for it.
  if (stop === 'offered')
    return (
      <Notice
        acts={
          <span className="line line-tight">
            <Button onClick={() => setStop(0)}>Show me round</Button>
            <Button onClick={close}>No thanks</Button>
          </span>
        }
      >
        New here? Five stops show where things are.
      </Notice>
    );
  return (
    <Tour
      open
      current={stop}
      onChange={setStop}
      onClose={close}
      onFinish={close}
      mask={false}
      placement="right"
      steps={STOPS.map((step, i) => ({
        ...step,
        nextButtonProps: { children: i === STOPS.length - 1 ? 'Finish' : 'Next' },
        prevButtonProps: { children: 'Back' },
      }))}
    />
  );
}
