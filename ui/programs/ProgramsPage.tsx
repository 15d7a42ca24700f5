'use client';
import { Collapse, Typography } from 'antd';
import { useMemo, useState } from 'react';
import type { Operation } from '@/contract/operations';
import { LinkButton } from '../shell/LinkButton';
import { Page, Panel } from '../shell/Page';
import { SearchField } from '../shell/SearchField';
import { OperationBody } from './OperationBody';

const { Text } = Typography;

/** In the order in which a dyer's day touches them; anything else follows. */
const GROUPS: readonly (readonly [string, string])[] = [
  ['lots', 'Fibre'],
  ['sessions', 'Sessions and plans'],
  ['plans', 'Sessions and plans'],
  ['stays', 'Sessions and plans'],
  ['runs', 'Runs'],
  ['probes', 'Probes'],
  ['live', 'Probes'],
  ['vessels', 'Kitchen'],
  ['home', 'Kitchen'],
  ['sim-pots', 'Kitchen'],
  ['stock', 'Shelf'],
  ['shelf', 'Shelf'],
  ['liquors', 'Shelf'],
  ['dyestuffs', 'Shelf'],
  ['assistants', 'Shelf'],
  ['substances', 'Shelf'],
  ['methods', 'Methods'],
  ['doors', 'Devices and tokens'],
  ['me', 'Devices and tokens'],
];
const REST = 'Copies, pictures and the rest';

const groupOf = ({ path }: Operation): string => {
  const first = path.split(/[/.]/)[1] ?? '';
  return GROUPS.find(([segment]) => segment === first)?.[1] ?? REST;
};

/** All that a program can ask of this kitchen, readable without a network. */
export function ProgramsPage({ operations }: { operations: readonly Operation[] }) {
  const [text, setText] = useState('');
  const groups = useMemo(() => {
    const words = text.toLowerCase().split(/\s+/).filter(Boolean);
    const found = operations.filter((one) => {
      const all = `${one.id} ${one.method} ${one.path} ${one.summary}`.toLowerCase();
      return words.every((word) => all.includes(word));
    });
    const names = [...new Set([...GROUPS.map(([, name]) => name), REST])];
    return names.map((name) => ({ name, items: found.filter((one) => groupOf(one) === name) })).filter(({ items }) => items.length > 0);
  }, [operations, text]);
  return (
    <Page
      title="For programs"
      under={
        <span>What scripts, probes and other tools can ask of this kitchen, below /api/v1. From another machine they show a token, made at Shelf → Home.</span>
      }
      acts={
        <>
          <SearchField label="Find something to ask for" placeholder="lots, readings, csv …" value={text} onChange={setText} width={220} />
          <LinkButton href="/api/v1/openapi.json">As OpenAPI 3.1</LinkButton>
        </>
      }
    >
      {groups.length === 0 ? <p>Nothing is called that.</p> : null}
      {groups.map(({ name, items }) => (
        <Panel key={name} title={name} label={name}>
          <Collapse
            ghost
            size="small"
            items={items.map((one) => ({
              key: one.id,
              label: (
                <span className="line line-tight">
                  <Text code>{one.method}</Text>
                  <Text code style={{ overflowWrap: 'anywhere' }}>
                    {one.path}
                  </Text>
                  <span className="quiet">{one.summary}</span>
                </span>
              ),
              children: <OperationBody operation={one} />,
            }))}
          />
        </Panel>
      ))}
    </Page>
  );
}
