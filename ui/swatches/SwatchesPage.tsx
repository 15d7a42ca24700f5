'use client';
import { Button, Input, Segmented } from 'antd';
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import type { SwatchView } from '@/contract/views';
import type { Lab } from '@/core/colour/lab';
import { countText } from '@/core/measure/print';
import { type FactorPick, havingAll } from '@/core/swatch/filter';
import { stepOfResult } from '@/core/swatch/swatch';
import { found, inOrder, nearest, WALL_ORDERS, type WallOrder } from '@/core/swatch/wall';
import { useLoaded } from '../api/useLoaded';
import { TypedInput } from '../form/TypedInput';
import { typedValue } from '../form/typed';
import { labReader } from '../look/labReader';
import { useDroppedPictures } from '../look/pictureFiles';
import { FailedPage } from '../shell/FailedPage';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { later } from '../shell/later';
import { Page } from '../shell/Page';
import { Rows } from '../shell/Rows';
import { SaveAs } from '../shell/SaveAs';
import { FIRST_RESULTS, FIRST_SWATCHES } from './firstSwatches';
import { TILE_PX } from './SwatchTile';
import { useFactors } from './useFactors';
import { GAP_PX, WallRow, type WallTile } from './WallRow';

const CompareSwatches = later(() => import('./CompareSwatches').then((module) => module.CompareSwatches));
const OffPicture = later(() => import('../look/OffPicture').then((module) => module.OffPicture));
const WhichLot = later(() => import('../look/WhichLot').then((module) => module.WhichLot));
const WallFilter = later(() => import('./WallFilter').then((module) => module.WallFilter));
const ORDER: Record<WallOrder, string> = { date: 'by date', hue: 'by hue', lightness: 'by lightness', dyestuff: 'by dyestuff' };
/** More than this are no longer seen side by side. */
const MOST_CHOSEN = 8;
/** Until the page knows its width, the browser itself fills the lines with as many tiles, in one row of the list. */
const TILES_UNMEASURED = 30;

const NO_PICKS: readonly FactorPick[] = [];

/** As a person types it; a hex would be off by what a screen cannot show. */
const labText = ({ l, a, b }: Lab): string => [l, a, b].map((axis) => axis.toFixed(2)).join(' ');

interface Row {
  readonly key: string;
  readonly tiles: readonly WallTile[];
}

/** The wall: every result, on mid-grey. */
export function SwatchesPage() {
  const first = useLoaded<SwatchView[]>(FIRST_SWATCHES);
  const whole = useLoaded<SwatchView[]>('/swatches');
  const loaded = whole.state === 'ready' ? whole : first;
  const [order, setOrder] = useState<WallOrder>('date');
  const [typed, setTyped] = useState('');
  const [near, setNear] = useState('');
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [comparing, setComparing] = useState(false);
  const [offPicture, setOffPicture] = useState(false);
  const [dropped, setDropped] = useState<readonly File[] | null>(null);
  const [picks, setPicks] = useState<readonly FactorPick[]>(NO_PICKS);
  const [filtering, setFiltering] = useState(false);
  const factors = useFactors(filtering);
  useDroppedPictures(setDropped);
  const toggle = useCallback(
    (id: string) => setChosen((had) => (had.includes(id) ? had.filter((one) => one !== id) : had.length < MOST_CHOSEN ? [...had, id] : had)),
    [],
  );
  const words = useDeferredValue(typed);
  const target = typedValue(labReader(), useDeferredValue(near));
  const room = useRef<HTMLDivElement>(null);
  const columns = useColumns(room);
  const all = loaded.state === 'ready' ? loaded.value : null;
  const rows = useMemo((): Row[] => {
    const having = havingAll(factors.index, picks);
    const some = found(having ? (all ?? []).filter(({ id }) => having.has(id)) : (all ?? []), words);
    const tiles = target ? nearest(some, target) : inOrder(some, order).map((swatch) => ({ swatch, deltaE: null }));
    const each = columns ?? TILES_UNMEASURED;
    return Array.from({ length: Math.ceil(tiles.length / each) }, (_, i) => {
      const own = tiles.slice(i * each, (i + 1) * each);
      return { key: own.map(({ swatch }) => swatch.id).join(' '), tiles: own };
    });
  }, [all, words, order, target, columns, factors.index, picks]);
  if (loaded.state === 'loading') return <LoadingPage title="Swatches" />;
  if (loaded.state === 'failed') return <FailedPage title="Swatches" why={loaded.why} retry={loaded.retry} />;
  const isWhole = whole.state === 'ready' || loaded.value.length < FIRST_RESULTS;
  const one = chosen.length === 1 ? loaded.value.find(({ id }) => id === chosen[0]) : undefined;
  const run = one && stepOfResult(one.id)?.runId;
  const count = rows.reduce((sum, row) => sum + row.tiles.length, 0);
  return (
    <Page
      title="Swatches"
      under={
        <span>
          {isWhole
            ? countText(loaded.value.length, 'result')
            : `the newest ${FIRST_RESULTS}; the others ${whole.state === 'failed' ? 'could not be fetched' : 'follow'}`}
        </span>
      }
      // Up here, so that nothing below moves while one chooses.
      acts={
        loaded.value.length < 2 ? (
          <LinkButton href="/swatches/trials">Trials</LinkButton>
        ) : (
          <>
            <LinkButton href="/swatches/trials">Trials</LinkButton>
            <SaveAs
              files={[
                { label: 'All results, as a table', path: '/swatches.csv', kind: 'table' },
                { label: 'Their colours, as a palette (GPL)', path: '/swatches.gpl', kind: 'palette' },
                { label: 'Their colours, as CSS', path: '/swatches.css', kind: 'palette' },
              ]}
            />
            <Button disabled={chosen.length === 0} onClick={() => setChosen([])}>
              Put back
            </Button>
            <LinkButton disabled={chosen.length === 0} href={`/swatches/card?ids=${chosen.map(encodeURIComponent).join(',')}`}>
              Sample card
            </LinkButton>
            <Button type="primary" disabled={chosen.length < 2} onClick={() => setComparing(true)}>
              Side by side{chosen.length > 0 ? `: ${chosen.length}` : ''}
            </Button>
          </>
        )
      }
    >
      {loaded.value.length === 0 ? (
        <Empty />
      ) : (
        <>
          <div className="line" style={{ alignItems: 'flex-start' }}>
            <Segmented
              aria-label="In which order"
              value={order}
              options={WALL_ORDERS.map((value) => ({ value, label: ORDER[value] }))}
              disabled={target !== null}
              onChange={setOrder}
            />
            <Input.Search
              aria-label="Find a result"
              placeholder="weld alum superwash …"
              allowClear
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
              style={{ width: 240 }}
            />
            <WallFilter {...factors} picks={picks} onPicks={setPicks} onWanted={() => setFiltering(true)} />
            <span style={{ width: 240 }}>
              <TypedInput aria-label="Nearest to a colour" read={labReader()} value={near} onChange={setNear} placeholder="nearest to #c9a23a" />
            </span>
            <Button disabled={!one?.colour} onClick={() => setNear(one?.colour ? labText(one.colour.lab) : '')}>
              Nearest to it
            </Button>
            <Button onClick={() => setOffPicture(true)}>Off a picture</Button>
            <LinkButton disabled={!run} href={`/runs/${run}/record?again`}>
              Do it again
            </LinkButton>
            <LinkButton disabled={!run} href={`/runs/${run}/record?again=one`}>
              Change one thing
            </LinkButton>
          </div>
          <div ref={room}>
            {count === 0 ? (
              <p className="quiet">
                {target ? 'No result has a colour yet.' : 'Nothing is found.'}{' '}
                <Button onClick={() => [setTyped(''), setNear(''), setPicks(NO_PICKS)]}>Show all</Button>
              </p>
            ) : (
              <Rows
                label={countText(count, 'result')}
                items={rows}
                keyOf={(row) => row.key}
                render={(row) => (
                  <WallRow
                    tiles={row.tiles}
                    columns={columns}
                    chosen={row.tiles
                      .filter(({ swatch }) => chosen.includes(swatch.id))
                      .map(({ swatch }) => swatch.id)
                      .join(' ')}
                    isFull={chosen.length >= MOST_CHOSEN}
                    onToggle={toggle}
                  />
                )}
              />
            )}
          </div>
        </>
      )}
      {offPicture ? (
        <OffPicture
          title="Which colour?"
          okText="Find what is nearest"
          onColour={(lab) => [setNear(labText(lab)), setOffPicture(false)]}
          onClose={() => setOffPicture(false)}
        />
      ) : null}
      {dropped ? <WhichLot files={dropped} onClose={() => setDropped(null)} /> : null}
      {comparing ? (
        <CompareSwatches chosen={chosen.flatMap((id) => loaded.value.find((swatch) => swatch.id === id) ?? [])} onClose={() => setComparing(false)} />
      ) : null}
    </Page>
  );
}

const Empty = () => (
  <div className="stack">
    <p>Every result hangs here, on a grey that sways no eye: each lot after each treatment at which somebody looked.</p>
    <p className="quiet">Take a picture at the stove or on a lot’s page, or say in a few taps how it came out.</p>
    <LinkButton href="/fibre">Choose a lot</LinkButton>
  </div>
);

/** As many tiles as there is room for beside each other; null until it is measured. */
function useColumns(room: React.RefObject<HTMLDivElement | null>): number | null {
  const [columns, setColumns] = useState<number | null>(null);
  useEffect(() => {
    const box = room.current;
    if (!box) return;
    const measure = () => setColumns(Math.max(2, Math.floor((box.clientWidth - GAP_PX) / (TILE_PX + GAP_PX))));
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(box);
    return () => watch.disconnect();
  });
  return columns;
}
