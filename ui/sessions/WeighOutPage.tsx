'use client';
import { CheckOutlined, PrinterOutlined } from '@ant-design/icons';
import { App, Button, Checkbox, Flex } from 'antd';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import type { WeighList } from '@/contract/views';
import { type Cost, costOf } from '@/core/dose/cost';
import { nearestSpoons } from '@/core/dose/spoons';
import { figureText, type Known, knownOf, knownText, oneOf } from '@/core/figure';
import { KEPT_BATH } from '@/core/liquor/liquor';
import { printAmount, printNumber } from '@/core/measure/print';
import type { Printer } from '@/core/measure/printer';
import type { WeighLine } from '@/core/plan/weighOut';
import { standingTicks, type WeighTick, wearKey } from '@/core/plan/weighTicks';
import { amountOff } from '@/core/run/amountDifference';
import { isFarFrom } from '@/core/run/farOff';
import { PLAN_FOOTER } from '@/core/safety/rules/all';
import { WEAR_WORD, type Wear } from '@/core/shelf/assistant';
import { type ShoppingLine, type StockLevel, serves } from '@/core/shelf/stock';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { useLoaded } from '../api/useLoaded';
import { useFastnessById } from '../fastness/useFastness';
import { TypedInput } from '../form/TypedInput';
import { amountReader } from '../form/typed';
import { EmptyPlace } from '../shell/EmptyPlace';
import { FailedPage } from '../shell/FailedPage';
import { Caution } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { LoadingPage } from '../shell/LoadingPage';
import { Notice } from '../shell/Notice';
import { Page, Panel } from '../shell/Page';
import { SaveAs } from '../shell/SaveAs';

/** Everything to weigh and measure for a session, in the order of use; one tap ticks a line off as planned. */
export function WeighOutPage({ sessionId }: { sessionId: string }) {
  const list = useLoaded<WeighList>(`/sessions/${sessionId}/weigh-out`);
  const stock = useLoaded<StockLevel[]>('/stock');
  const lack = useLoaded<ShoppingLine[]>(`/sessions/${sessionId}/shopping`);
  const [problem, setProblem] = useState<string | null>(null);
  const { modal } = App.useApp();
  const standing = useMemo(() => standingTicks(list.state === 'ready' ? list.value.ticks : []), [list]);
  if (list.state === 'failed') return <FailedPage title="Weigh out" why={list.why} retry={list.retry} />;
  if (list.state === 'loading') return <LoadingPage title="Weigh out" />;
  const { session, lines } = list.value;
  const done = lines.filter((line) => standing.has(line.key)).length;
  const levels = stock.state === 'ready' ? stock.value : [];
  /** What is far from the plan is asked about once, before it is written down. */
  const tickLine = (line: WeighLine, amount: WeighTick['amount']) => {
    if (amount === null || !isFarFrom(line.planned, knownOf(amount))) return void tick(line, amount);
    const print = (known: Known) => (known === null ? 'unknown' : knownText(known, (value) => printAmount(value, line.unit)));
    modal.confirm({
      title: `${print(knownOf(amount))} ${line.name}, planned ${print(line.planned)}`,
      content: 'Is that what you weighed? If it was a slip, cancel: nothing is written down.',
      okText: 'Log it',
      onOk: () => void tick(line, amount),
    });
  };
  const tick = async (line: Pick<WeighLine, 'key' | 'unit'>, amount: WeighTick['amount']) => {
    setProblem(null);
    try {
      await post(`/sessions/${sessionId}/weigh-out`, { id: newId(), key: line.key, amount, unit: line.unit });
      list.reload();
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  return (
    <Page
      title="Weigh out"
      under={
        <>
          <Link href={`/sessions/${sessionId}`}>{session.name}</Link>
          <span aria-live="polite">
            {done} of {lines.length} ready
          </span>
        </>
      }
      acts={
        <>
          <Button icon={<PrinterOutlined aria-hidden="true" />} onClick={() => window.print()}>
            Print
          </Button>
          <SaveAs files={[{ label: 'This list, as a table', path: `/sessions/${sessionId}/weigh-out.csv`, kind: 'table' }]} />
          <LinkButton type="primary" href={session.runId ? `/runs/${session.runId}` : `/sessions/${sessionId}`}>
            {session.runId ? 'To the stove' : 'To the plan'}
          </LinkButton>
        </>
      }
    >
      {problem ? <Notice kind="fault">{problem}</Notice> : null}
      {lines.length === 0 ? (
        <EmptyPlace act={<LinkButton href={`/sessions/${sessionId}`}>To the plan</LinkButton>}>Nothing to weigh in this plan.</EmptyPlace>
      ) : null}
      <div className="beside">
        <div className="stack">
          {bySteps(lines).map((group) => (
            <Panel key={group.stepId} title={group.title} label={group.title}>
              <Wearing
                lines={group.lines}
                tick={standing.get(wearKey(group.stepId))}
                onTick={(amount) => void tick({ key: wearKey(group.stepId), unit: 'piece' }, amount)}
              />
              <ul>
                {group.lines.map((line) => (
                  <Line
                    key={line.key}
                    line={line}
                    tick={standing.get(line.key)}
                    places={levels.filter((level) => serves(level.item, line))}
                    onTick={(amount) => tickLine(line, amount)}
                  />
                ))}
              </ul>
            </Panel>
          ))}
        </div>
        <div className="stack">
          {lack.state === 'ready' && lack.value.length > 0 ? <Lacking lines={lack.value} /> : null}
          <CostLine cost={costFor(lines, standing, levels, session.dryFibreG)} />
          <p className="quiet small">{PLAN_FOOTER}</p>
        </div>
      </div>
    </Page>
  );
}

function bySteps(lines: readonly WeighLine[]): { stepId: string; title: string; lines: WeighLine[] }[] {
  const groups = new Map<string, { stepId: string; title: string; lines: WeighLine[] }>();
  for (const line of lines) {
    const group = groups.get(line.stepId) ?? { stepId: line.stepId, title: line.stepTitle, lines: [] };
    group.lines.push(line);
    groups.set(line.stepId, group);
  }
  return [...groups.values()];
}

/** Gloves before the tub is opened, not after (R31). */
function Wearing({ lines, tick, onTick }: { lines: readonly WeighLine[]; tick: WeighTick | undefined; onTick: LineProps['onTick'] }) {
  const wear = [...new Set(lines.flatMap((line) => line.wear))] as Wear[];
  if (wear.length === 0) return null;
  const words = wear.map((piece) => WEAR_WORD[piece]).join(', ');
  const text = `${words} on before opening the tub.${wear.includes('M') ? ' Wipe, do not sweep.' : ''}`;
  return (
    <Checkbox checked={tick !== undefined} onChange={({ target }) => onTick(target.checked ? { state: 'measured', value: 1 } : null)}>
      <Caution severity={tick ? 'note' : 'caution'} text={text} />
    </Checkbox>
  );
}

interface LineProps {
  readonly line: WeighLine;
  readonly tick: WeighTick | undefined;
  readonly places: readonly StockLevel[];
  readonly onTick: (amount: WeighTick['amount']) => void;
}

function Line({ line, tick, places, onTick }: LineProps) {
  const print = usePrint();
  const fastness = useFastnessById()(line.substance);
  const [text, setText] = useState<string | null>(null);
  const read = amountReader(line.unit, null, print.measures);
  const weighed = tick?.amount ? knownOf(tick.amount) : null;
  const off = amountOff(line.planned, weighed);
  const amountText = (known: Known) => (known === null ? 'unknown' : knownText(known, (value) => print.amount(value, line.unit)));
  const other = () => {
    if (text === null) return;
    if (text.trim() === '') return setText(null);
    const got = read(text);
    if (!got.ok || got.value === null) return;
    setText(null);
    onTick(got.value.figure);
  };
  return (
    <li className="row weigh-line" style={{ flexWrap: 'nowrap' }}>
      <Button
        size="large"
        type={tick ? 'primary' : 'default'}
        style={{ flex: 'none', minWidth: 56, height: 56 }}
        icon={tick ? <CheckOutlined aria-hidden="true" /> : undefined}
        aria-pressed={tick !== undefined}
        aria-label={tick ? `${line.name}: take the tick back` : `${line.name}: ready`}
        onClick={() => {
          if (tick) onTick(null);
          else if (line.aim === null) setText('');
          else onTick({ state: 'measured', value: line.aim });
        }}
      />
      <div className="row-main">
        <span className={tick ? 'quiet row-name' : 'row-name'}>{line.name}</span>
        <span className="quiet small">{[lineWords(line, places, print), fastness && `light and washing: ${fastness}`].filter(Boolean).join(' · ')}</span>
      </div>
      <Flex vertical align="flex-end" justify="center" style={{ minHeight: 58 }}>
        <span className="figure" style={{ fontSize: 'var(--t3)' }}>
          {amountText(line.aim ?? line.planned)}
        </span>
        {tick?.amount ? (
          <span className="small">
            weighed {amountText(weighed)}
            {off ? ` (${off > 0 ? '+' : '−'}${print.amount(Math.abs(off), line.unit)})` : ''}
          </span>
        ) : text === null ? (
          <Button type="link" size="small" className="no-print" onClick={() => setText('')}>
            {line.aim === null ? 'weigh it now' : 'another amount'}
          </Button>
        ) : (
          <TypedInput
            autoFocus
            aria-label={`How much ${line.name}`}
            placeholder={line.unit === 'piece' ? 'how many' : `in ${line.unit}`}
            value={text}
            read={read}
            onChange={setText}
            onDone={other}
            style={{ width: 150 }}
          />
        )}
      </Flex>
    </li>
  );
}

/** How else it may be measured, and where it stands. */
function lineWords(line: WeighLine, places: readonly StockLevel[], print: Printer): string {
  const own = places.find((level) => level.item.ownBulkGPerMl !== null)?.item.ownBulkGPerMl ?? null;
  const planned = oneOf(line.planned);
  const ownSpoons = own === null || planned === null ? null : nearestSpoons(planned / own, 'metric');
  const spoon = ownSpoons ? `or ${ownSpoons} by your own spoon` : line.spoon ? `or about ${line.spoon.text}, give or take ${line.spoon.plusMinusPct} %` : null;
  const kept = places
    .map((level) => level.item.place)
    .filter(Boolean)
    .join(', ');
  const stock = line.stock
    ? `${print.volume(line.stock.measureMl)} of a ${line.stock.wvPct} % stock: ${print.mass(line.stock.makeG)} made up to ${print.volume(line.stock.makeMl)} (the scale reads ${print.mass(line.readsToG ?? 1)})`
    : null;
  return [line.detail, stock ?? (line.words === null ? null : print.says(line.words)), stock ? null : spoon, kept].filter(Boolean).join(' · ');
}

function costFor(lines: readonly WeighLine[], standing: ReadonlyMap<string, WeighTick>, levels: readonly StockLevel[], dryFibreG: number | null): Cost | null {
  const priced = lines.filter((line) => line.substance !== 'water' && line.substance !== KEPT_BATH && line.substance !== 'ties');
  if (!levels.some((level) => level.item.pricePerUnit !== null)) return null;
  return costOf(
    priced.map((line) => {
      const tick = standing.get(line.key);
      return {
        name: line.name,
        unit: line.unit,
        used: oneOf(tick?.amount ? knownOf(tick.amount) : line.planned),
        pricePerUnit: levels.find((level) => serves(level.item, line) && level.item.pricePerUnit !== null)?.item.pricePerUnit ?? null,
      };
    }),
    dryFibreG,
  );
}

const CostLine = ({ cost }: { cost: Cost | null }) =>
  cost === null ? null : (
    <p>
      Cost, by the prices on the shelf: <strong>{printNumber(cost.total)}</strong>
      {cost.per100gFibre === null ? '' : `, ${printNumber(cost.per100gFibre)} per 100 g of fibre`}
      {cost.missing.length > 0 ? <span className="quiet small"> without {[...new Set(cost.missing)].join(', ')}, whose price or amount is unknown</span> : null}
    </p>
  );

function Lacking({ lines }: { lines: readonly ShoppingLine[] }) {
  const print = usePrint();
  return (
    <Panel title="To buy or gather">
      <ul className="stack stack-tight">
        {lines.map((line) => (
          <li key={`${line.substance}/${line.form}/${line.unit}`}>
            {line.name}
            {line.form === null ? '' : `, ${line.form}`}: <strong>{line.lack === null ? 'unknown how much' : print.amount(line.lack, line.unit)}</strong>
            <span className="quiet small">
              {' '}
              {line.amount === null ? 'needed: unknown' : `needed ${knownText(line.amount, (value) => print.amount(value, line.unit))}`};{' '}
              {line.otherwise.length > 0
                ? `on the shelf ${line.otherwise.map((one) => figureText(one.left, (value) => print.amount(value, one.unit))).join(' and ')}, counted otherwise: weigh it`
                : line.have.state === 'unknown'
                  ? 'on the shelf: unknown, count it'
                  : `on the shelf ${figureText(line.have, (value) => print.amount(value, line.unit))}`}
            </span>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
