'use client';
import { Button } from 'antd';
import { useState } from 'react';
import type { Home } from '@/core/kitchen/home';
import { usePrint } from '../shell/facts';
import { later } from '../shell/later';
import { Panel } from '../shell/Page';
import { HOME_PARTS, type HomePart, homeSentence, PART_TITLE } from './homeSentences';

const HomePartForm = later(() => import('./HomePartForm').then((module) => module.HomePartForm));

/** The home as it reads, each part changed in its place. */
export function HomePanel({ home }: { home: Home }) {
  const print = usePrint();
  const [open, setOpen] = useState<HomePart | null>(null);
  return (
    <Panel label="The home">
      {HOME_PARTS.map((part) => (
        <div key={part} className="row">
          <h2 className="head-plain" style={{ flex: '0 0 140px' }}>
            {PART_TITLE[part]}
          </h2>
          <p className="row-main">{homeSentence(part, home, print)}</p>
          <Button size="small" aria-label={`Change: ${PART_TITLE[part]}`} onClick={() => setOpen(part)}>
            Change
          </Button>
        </div>
      ))}
      <p className="quiet">Attended heat is planned only while somebody is home and awake. Rests with the heat off may pass the night.</p>
      {open ? <HomePartForm part={open} home={home} onClose={() => setOpen(null)} /> : null}
    </Panel>
  );
}
