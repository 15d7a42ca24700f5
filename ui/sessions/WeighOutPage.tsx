'use client';
import Link from 'next/link';
import { useState } from 'react';
import type { WeighList } from '@/contract/views';
import { type Cost, costOf } from '@/core/dose/cost';
import { parseAmount } from '@/core/dose/parseAmount';
import { nearestSpoons } from '@/core/dose/spoons';
import { knownValue } from '@/core/figure';
import { refusalText } from '@/core/measure/parseQuantity';
import { printAmount, printMass, printNumber, printVolume } from '@/core/measure/print';
import { standingTicks, type WeighLine, type WeighTick } from '@/core/plan/weighOut';
import { PLAN_FOOTER } from '@/core/safety/rules/all';
import { WEAR_WORD, type Wear } from '@/core/shelf/assistant';
import { type ShoppingLine, type StockLevel, serves } from '@/core/shelf/stock';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { useLoaded } from '../api/useLoaded';
import { FailedPage, LoadingPage } from '../shell/PageState';

/** Everything to weigh and measure for a session, in the order of use; one tap ticks a line off as planned. */
export function WeighOutPage({ sessionId }: { sessionId: string }) {
  const list = useLoaded<WeighList>(
    `/sessions/${sessionId}/weigh-out`,
    (message) => message.kind === 'changed' && (message.what === 'weigh' || message.what === 'session') && message.id === sessionId,
  );
  const stock = useLoaded<StockLevel[]>('/stock', (message) => message.kind === 'changed' && message.what === 'stock');
  const lack = useLoaded<ShoppingLine[]>(
    `/sessions/${sessionId}/shopping`,
    (message) => message.kind === 'changed' && ['stock', 'session'].includes(message.what),
  );
  const [problem, setProblem] = useState<string | null>(null);
  if (list.state === 'failed') return <FailedPage why={list.why} retry={list.retry} />;
  if (list.state === 'loading') return <LoadingPage what="the list" />;
  const { session, lines, ticks } = list.value;
  const standing = standingTicks(ticks);
  const done = lines.filter((line) => standing.has(line.key)).length;
  const levels = stock.state === 'ready' ? stock.value : [];
  const tick = async (line: WeighLine, amount: WeighTick['amount']) => {
    setProblem(null);
    try {
      await post(`/sessions/${sessionId}/weigh-out`, { id: newId(), key: line.key, amount, unit: line.unit });
      list.reload();
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  return (
    <div className="page">
      <header className="page-head">
        <div className="page-title">
          <h1>Weigh out</h1>
          <p className="totals">
            <Link href={`/sessions/${sessionId}`}>{session.name}</Link>
            <span>
              {done} of {lines.length} ready
            </span>
          </p>
        </div>
        <button type="button" className="act no-print" onClick={() => window.print()}>
          Print
        </button>
        <Link className="act act-strong no-print" href={session.runId ? `/runs/${session.runId}` : `/sessions/${sessionId}`}>
          {session.runId ? 'To the stove' : 'To the plan'}
        </Link>
      </header>
      {problem ? (
        <p className="banner banner-stop" role="alert">
          {problem}
        </p>
      ) : null}
      {lines.length === 0 ? <p className="page-state">Nothing to weigh in this plan.</p> : null}
      {bySteps(lines).map((group) => (
        <section key={group.stepId} className="weigh-step" aria-label={group.title}>
          <h2>{group.title}</h2>
          <Wearing lines={group.lines} />
          <ul className="rows">
            {group.lines.map((line) => (
              <Line
                key={line.key}
                line={line}
                tick={standing.get(line.key)}
                places={levels.filter((level) => serves(level.item, line))}
                onTick={(amount) => void tick(line, amount)}
              />
            ))}
          </ul>
        </section>
      ))}
      <CostLine cost={costFor(lines, standing, levels, session.dryFibreG)} />
      {lack.state === 'ready' && lack.value.length > 0 ? <Lacking lines={lack.value} /> : null}
      <p className="quiet small">{PLAN_FOOTER}</p>
    </div>
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
function Wearing({ lines }: { lines: readonly WeighLine[] }) {
  const wear = [...new Set(lines.flatMap((line) => line.wear))] as Wear[];
  if (wear.length === 0) return null;
  const words = wear.map((piece) => WEAR_WORD[piece]).join(', ');
  return (
    <p className="finding finding-caution">
      <span>
        <strong>Care</strong>: {words} on before opening the tub.{wear.includes('M') ? ' Wipe, do not sweep.' : ''}
      </span>
    </p>
  );
}

function Line({
  line,
  tick,
  places,
  onTick,
}: {
  line: WeighLine;
  tick: WeighTick | undefined;
  places: readonly StockLevel[];
  onTick: (amount: WeighTick['amount']) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const weighed = tick?.amount ? knownValue(tick.amount) : null;
  const difference = weighed === null || line.planned === null ? null : weighed - line.planned;
  const other = () => {
    if (text === null) return;
    const parsed = parseAmount(text, line.unit, null);
    if (!parsed.ok) return setProblem(refusalText(parsed.error));
    setProblem(null);
    setText(null);
    onTick({ state: parsed.value.plusMinusPct === null ? 'measured' : 'estimated', value: parsed.value.value });
  };
  return (
    <li className={`row weigh-line${tick ? ' weigh-done' : ''}`}>
      <button
        type="button"
        className="weigh-tick"
        aria-pressed={tick !== undefined}
        aria-label={tick ? `${line.name}: take the tick back` : `${line.name}: ready`}
        onClick={() => {
          if (tick) onTick(null);
          else if (line.aim === null) setText('');
          else onTick({ state: 'measured', value: line.aim });
        }}
      >
        {tick ? '✓' : ''}
      </button>
      <div className="row-main">
        <span className="row-name">{line.name}</span>
        <span className="quiet small">{lineWords(line, places)}</span>
        {problem ? (
          <span className="field-error" role="alert">
            {problem}
          </span>
        ) : null}
      </div>
      <div className="weigh-amounts">
        <span className="figure weigh-aim">{line.aim === null ? 'unknown' : printAmount(line.aim, line.unit)}</span>
        {tick?.amount ? (
          <span className="small">
            weighed {weighed === null ? 'unknown' : printAmount(weighed, line.unit)}
            {difference !== null && line.planned !== null && Math.abs(difference) > line.planned * 0.02
              ? ` (${difference > 0 ? '+' : '−'}${printAmount(Math.abs(difference), line.unit)})`
              : ''}
          </span>
        ) : text === null ? (
          <button type="button" className="link-button small no-print" onClick={() => setText('')}>
            {line.aim === null ? 'weigh it now' : 'another amount'}
          </button>
        ) : (
          <input
            // biome-ignore lint/a11y/noAutofocus: the field appears because somebody asked for it
            autoFocus
            className="bench-input weigh-input"
            aria-label={`How much ${line.name}`}
            placeholder={line.unit === 'piece' ? 'how many' : `in ${line.unit}`}
            value={text}
            onChange={(event) => setText(event.target.value)}
            onBlur={() => (text.trim() === '' ? setText(null) : other())}
            onKeyDown={(event) => event.key === 'Enter' && other()}
          />
        )}
      </div>
    </li>
  );
}

/** How else it may be measured, and where it stands. */
function lineWords(line: WeighLine, places: readonly StockLevel[]): string {
  const own = places.find((level) => level.item.ownBulkGPerMl !== null)?.item.ownBulkGPerMl ?? null;
  const ownSpoons = own === null || line.planned === null ? null : nearestSpoons(line.planned / own, 'metric');
  const spoon = ownSpoons ? `or ${ownSpoons} by your own spoon` : line.spoon ? `or about ${line.spoon.text}, give or take ${line.spoon.plusMinusPct} %` : null;
  const kept = places
    .map((level) => level.item.place)
    .filter(Boolean)
    .join(', ');
  const stock = line.stock
    ? `${printVolume(line.stock.measureMl)} of a ${line.stock.wvPct} % stock: ${printMass(line.stock.makeG)} made up to ${printVolume(line.stock.makeMl)} (the scale reads ${printMass(line.readsToG ?? 1)})`
    : null;
  return [stock ?? line.words, stock ? null : spoon, kept].filter(Boolean).join(' · ');
}

function costFor(lines: readonly WeighLine[], standing: ReadonlyMap<string, WeighTick>, levels: readonly StockLevel[], dryFibreG: number | null): Cost | null {
  const priced = lines.filter((line) => line.substance !== 'water' && line.substance !== 'ties');
  if (!levels.some((level) => level.item.pricePerUnit !== null)) return null;
  return costOf(
    priced.map((line) => {
      const tick = standing.get(line.key);
      return {
        name: line.name,
        unit: line.unit,
        used: tick?.amount ? knownValue(tick.amount) : line.planned,
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
  return (
    <section className="panel">
      <h2>To buy or gather</h2>
      <ul className="plain">
        {lines.map((line) => (
          <li key={`${line.substance}/${line.form}/${line.unit}`}>
            {line.name}
            {line.form === null ? '' : `, ${line.form}`}: <strong>{line.lack === null ? 'unknown how much' : printAmount(line.lack, line.unit)}</strong>
            <span className="quiet small">
              {' '}
              {line.amount === null ? 'needed: unknown' : `needed ${printAmount(line.amount, line.unit)}`};{' '}
              {line.have.state === 'unknown' ? 'on the shelf: unknown, count it' : `on the shelf ${printAmount(line.have.value, line.unit)}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
