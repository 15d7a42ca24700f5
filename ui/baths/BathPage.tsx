'use client';
import { DownOutlined } from '@ant-design/icons';
import { App, Button, Dropdown, Table } from 'antd';
import Link from 'next/link';
import { useState } from 'react';
import type { BathPage as Bath } from '@/contract/baths';
import { figureText } from '@/core/figure';
import { freshness } from '@/core/liquor/liquor';
import { countText, printNumber } from '@/core/measure/print';
import { useNow } from '../api/serverClock';
import { useBook } from '../api/useBook';
import { useLoaded } from '../api/useLoaded';
import { BathLooks } from '../look/BathLooks';
import { Patch } from '../look/Patch';
import { FailedPage } from '../shell/FailedPage';
import { usePrint } from '../shell/facts';
import { LoadingPage } from '../shell/LoadingPage';
import { later } from '../shell/later';
import { Notice } from '../shell/Notice';
import { Page, Panel } from '../shell/Page';
import { Happened } from './Happened';
import { ACT_WORD, type ActKind, ageText, FRESH_WORD, KEPT_WORD } from './keptWords';
import { TopUpSum } from './TopUpSum';

const BathActForm = later(() => import('./BathActForm').then((module) => module.BathActForm));
const LiquorForm = later(() => import('../shelf/LiquorForm').then((module) => module.LiquorForm));

const MORE: readonly ActKind[] = ['put', 'water', 'strained', 'used', 'moved', 'pouredAway'];

/** A kept bath as a thing: from its first water to its last drop. */
export function BathPage({ liquorId }: { liquorId: string }) {
  const loaded = useLoaded<Bath>(`/baths/${liquorId}`);
  if (loaded.state === 'loading') return <LoadingPage title="The bath" />;
  if (loaded.state === 'failed') return <FailedPage title="The bath" why={loaded.why} retry={loaded.retry} />;
  return (
    <App component={false}>
      <Body bath={loaded.value} reload={loaded.reload} />
    </App>
  );
}

function Body({ bath, reload }: { bath: Bath; reload: () => void }) {
  const print = usePrint();
  const now = useNow(60_000);
  const book = useBook();
  const [open, setOpen] = useState<ActKind | 'edit' | null>(null);
  const { liquor, now: stands } = bath;
  const close = () => setOpen(null);
  const state = freshness(stands, now);
  return (
    <Page
      title={liquor.name}
      under={
        <>
          <span className="totals">{figureText(stands.volumeMl, print.volume)}</span>
          <span>{stands.ph === null ? 'pH not measured' : `pH ${printNumber(stands.ph)}`}</span>
          <span>{ageText(now - liquor.madeAtMs)} old</span>
          <span>{stands.uses === 0 ? 'nothing dyed in it yet' : `given ${countText(stands.uses, 'bath')}`}</span>
          <span>
            {KEPT_WORD[stands.keptIn]}
            {stands.place ? `, ${stands.place}` : ''}
          </span>
          <span className={state === 'past' ? 'fault' : undefined}>
            {FRESH_WORD[state]}
            {stands.spoilByMs === null ? '' : `, by ${print.day(stands.spoilByMs)}`}
          </span>
        </>
      }
      acts={
        bath.liquor.retired ? null : (
          <>
            <Button onClick={() => setOpen('edit')}>Change</Button>
            <Dropdown menu={{ items: MORE.map((key) => ({ key, label: ACT_WORD[key] })), onClick: ({ key }) => setOpen(key as ActKind) }} trigger={['click']}>
              <Button>
                More <DownOutlined aria-hidden="true" />
              </Button>
            </Dropdown>
            <Button onClick={() => setOpen('read')}>{ACT_WORD.read}</Button>
            <Button onClick={() => setOpen('pouredIn')}>{ACT_WORD.pouredIn}</Button>
            <Button type="primary" onClick={() => setOpen('drawn')}>
              {ACT_WORD.drawn}
            </Button>
          </>
        )
      }
    >
      {bath.isGone ? <Notice>It is poured away. All that was known of it stays here.</Notice> : null}
      {!bath.isGone && liquor.retired ? <Notice>It was put away: it is no longer offered.</Notice> : null}
      {liquor.labelled || liquor.retired ? null : <Notice>It has no label yet: contents, date and “not food” on the jar, before it is used again.</Notice>}
      <div className="beside">
        <div className="stack">
          <InIt bath={bath} />
          <Uses bath={bath} />
          <Happened bath={bath} reload={reload} />
        </div>
        <div className="stack">
          {bath.strength ? <Strength strength={bath.strength} /> : null}
          {book.state === 'ready' ? <TopUpSum bath={bath} isMordant={(id) => book.value.shelf.assistant(id)?.group === 'mordant'} /> : null}
          <Panel title="Where it may go" label="Where it may go">
            <ul className="stack stack-tight">
              {bath.pour.map((way) => (
                <li key={way}>{print.says(way)}</li>
              ))}
            </ul>
            {bath.touched.length > 0 ? <p className="small">It touched {bath.touched.join(', ')}: not for food, and not for compost.</p> : null}
          </Panel>
          <Panel title="How it looks">
            <BathLooks liquorId={liquor.id} name={liquor.name} />
          </Panel>
          {liquor.note ? <p className="quiet">{liquor.note}</p> : null}
        </div>
      </div>
      {open === 'edit' && book.state === 'ready' ? <LiquorForm liquor={liquor} dyestuffs={book.value.dyestuffs} onClose={close} /> : null}
      {open !== null && open !== 'edit' && book.state === 'ready' ? (
        <BathActForm key={open} kind={open} page={bath} book={book.value} onDone={close} onClose={close} />
      ) : null}
    </Page>
  );
}

/** Each substance: put in, gone, taken, left. They add up. */
function InIt({ bath }: { bath: Bath }) {
  const print = usePrint();
  const rows = bath.solutes;
  const amount = (value: number | null, unit: Bath['solutes'][number]['unit']) => (value === null ? 'unknown' : print.amount(value, unit));
  return (
    <Panel title="In it" label="In it">
      {bath.plants.length > 0 ? (
        <p>
          Drawn from{' '}
          {bath.plants
            .map((plant) => `${plant.name}${plant.amount === null ? ', nobody knows how much' : ` ${print.amount(plant.amount, plant.unit)}`}`)
            .join(', ')}
          .
        </p>
      ) : null}
      {rows.length === 0 ? (
        <p className="quiet">Nobody wrote down what is dissolved in it. “Put something in”, under More, does.</p>
      ) : (
        <div className="frame frame-wide">
          <Table
            size="small"
            pagination={false}
            rowKey="substance"
            dataSource={rows}
            columns={[
              { title: 'What', dataIndex: 'name', rowScope: 'row', render: (name: string, { isMatter }) => `${name}${isMatter ? ', plant matter' : ''}` },
              {
                title: 'Went in',
                render: (_value, { inAmount, unit, isEstimate }) => `${isEstimate && inAmount !== null ? 'about ' : ''}${amount(inAmount, unit)}`,
              },
              {
                title: 'Went out',
                render: (_value, { outAmount, tookAmount, unit }) => amount(outAmount === null || tookAmount === null ? null : outAmount + tookAmount, unit),
              },
              {
                title: 'Left',
                render: (_value, { left, leftAtLeast, leftAtMost, unit }) => leftText(left, leftAtLeast, leftAtMost, (value) => amount(value, unit)),
              },
              {
                title: 'Per litre',
                render: (_value, { perL, unit, isEstimate }) => (perL === null ? '–' : `${isEstimate ? 'about ' : ''}${print.amount(perL, unit)}/L`),
              },
            ]}
          />
        </div>
      )}
    </Panel>
  );
}

/** What the goods took is estimated: then what is left is a range. */
function leftText(left: number | null, least: number | null, most: number | null, print: (value: number | null) => string): string {
  if (left === null || least === null || most === null || print(least) === print(most)) return print(left);
  return `about ${print(left)} (${print(least)} – ${print(most)})`;
}

function Uses({ bath }: { bath: Bath }) {
  const print = usePrint();
  const { uses, draws, liquor } = bath;
  return (
    <Panel title="What it gave" label="What it gave">
      {liquor.from ? (
        <p className="small">
          Left by a session: <Link href={`/runs/${liquor.from.runId}/record`}>its record</Link>. {countText(liquor.uses, 'bath')} before it was kept.
        </p>
      ) : liquor.uses > 0 ? (
        <p className="small">{countText(liquor.uses, 'bath')} before it was kept, as it was told.</p>
      ) : null}
      {uses.length === 0 ? <p className="quiet">Since it was kept, nothing was dyed in it.</p> : null}
      <ol className="stack stack-tight">
        {uses.map((use) => (
          <li key={use.n} className="line line-tight">
            <span className="figure">{liquor.uses + use.n}.</span>
            {use.lots.map((lot) => (
              <Link key={lot.id} href={`/fibre/${lot.id}`} className="line line-tight">
                <Patch hex={lot.hex} sizePx={28} /> {lot.name}
              </Link>
            ))}
            <span>
              {use.runId ? <Link href={`/runs/${use.runId}/record`}>{use.what}</Link> : use.what}, {print.day(use.atMs)}
              {use.fibreG === null ? ', nobody weighed the fibre' : `, ${print.mass(use.fibreG)} of fibre`}
            </span>
          </li>
        ))}
      </ol>
      {draws.length > 0 ? (
        <>
          <h3>Drawn off</h3>
          <ol className="stack stack-tight">
            {draws.map((draw) => (
              <li key={draw.n}>
                Portion {draw.n}: {draw.mL === null ? 'all of it' : print.volume(draw.mL)} for {draw.what}, {print.day(draw.atMs)}
                {draw.toId ? (
                  <>
                    {' '}
                    (<Link href={`/shelf/baths/${draw.toId}`}>where it went</Link>)
                  </>
                ) : null}
              </li>
            ))}
          </ol>
        </>
      ) : null}
      {bath.plannedIn.length > 0 ? (
        <p>
          Planned with it:{' '}
          {bath.plannedIn.map(({ sessionId, name }) => (
            <Link key={sessionId} href={`/sessions/${sessionId}`}>
              {name}{' '}
            </Link>
          ))}
        </p>
      ) : null}
    </Panel>
  );
}

function Strength({ strength }: { strength: NonNullable<Bath['strength']> }) {
  const print = usePrint();
  const { colours, says } = strength;
  return (
    <Panel title="What is left of its colour" label="What is left of its colour">
      <p>{print.says(says)}</p>
      {colours ? (
        <div className="line line-tight">
          {[colours.high, colours.likely, colours.low].map((hex, i) => (
            <Patch key={`${hex}-${i === 0 ? 'deep' : i === 1 ? 'likely' : 'pale'}`} hex={hex} sizePx={40} />
          ))}
          <span className="small">On as much undyed fibre again: at the deepest, likely, at the palest. An estimate.</span>
        </div>
      ) : null}
    </Panel>
  );
}
