'use client';
import { Button, Steps } from 'antd';
import { useState } from 'react';
import type { LotView } from '@/contract/views';
import type { Home } from '@/core/kitchen/home';
import type { Vessel } from '@/core/kitchen/vessel';
import { useLoaded } from '../api/useLoaded';
import { StarterKitchen } from '../shelf/StarterKitchen';
import { LinkButton } from '../shell/LinkButton';
import { later } from '../shell/later';
import { Panel } from '../shell/Page';
import { firstSteps } from './firstSteps';

const LotForm = later(() => import('../fibre/LotForm').then((module) => module.LotForm));

/** The way from an empty folder to the first gram: fibre, kitchen, plan, each done from here. */
export function FirstSteps() {
  const lots = useLoaded<LotView[]>('/lots');
  const vessels = useLoaded<(Vessel & { readonly retired: boolean })[]>('/vessels');
  const home = useLoaded<Home>('/home');
  const [isAdding, setAdding] = useState(false);
  const lotCount = lots.state === 'ready' ? lots.value.length : 0;
  const vesselCount = vessels.state === 'ready' ? vessels.value.filter((vessel) => !vessel.retired).length : 0;
  const { current, fibre, kitchen } = firstSteps(lotCount, vesselCount);
  const add = (
    <Button type={current === 0 ? 'primary' : 'default'} onClick={() => setAdding(true)}>
      Add fibre
    </Button>
  );
  return (
    <Panel title="Three steps to your first plan">
      <Steps
        orientation="vertical"
        current={current}
        items={[
          { title: 'Your fibre', content: fibre, subTitle: add },
          {
            title: 'Your kitchen',
            content: kitchen,
            subTitle:
              vesselCount === 0 && home.state === 'ready' ? (
                <span className="line line-tight">
                  <StarterKitchen home={home.value} isFirst={current === 1} />
                  <LinkButton href="/shelf?tab=vessels">Add your own pots</LinkButton>
                </span>
              ) : (
                <LinkButton href="/shelf?tab=vessels">Vessels</LinkButton>
              ),
          },
          {
            title: 'Your plan',
            content: 'Choose the fibre and a way of working. Grams, litres and times are worked out.',
            subTitle: (
              <LinkButton type={current === 2 ? 'primary' : 'default'} href="/sessions/new">
                Plan a session
              </LinkButton>
            ),
          },
        ]}
      />
      {isAdding ? <LotForm lot={null} onClose={() => setAdding(false)} /> : null}
    </Panel>
  );
}
