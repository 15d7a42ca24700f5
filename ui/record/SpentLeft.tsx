'use client';
import { App, Button } from 'antd';
import { useMemo } from 'react';
import type { RunView } from '@/contract/views';
import { foldRun } from '@/core/run/fold';
import { type SpentMatter, spentMatter } from '@/core/run/spentMatter';
import { shelfOf } from '@/core/shelf/library';
import { spentText } from '@/core/shelf/spent';
import type { StockLevel } from '@/core/shelf/stock';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { useLoaded } from '../api/useLoaded';
import { Panel } from '../shell/Page';

/** Plant matter that came out of the strainer: kept for another bath in one tap, as long as it is there. */
export const SpentLeft = ({ view }: { readonly view: RunView }) => (
  <App component={false}>
    <Left view={view} />
  </App>
);

const NO_STOCK: readonly StockLevel[] = [];

/** By plant: baths that what was kept of other runs gave. Of several portions the most: nobody wrote down which one went in, and it is spent sooner. */
function gaveBefore(levels: readonly StockLevel[], runId: string): Record<string, number> {
  const gave: Record<string, number> = {};
  for (const { item } of levels)
    if (item.spent && item.spent.from?.runId !== runId) gave[item.substance] = Math.max(gave[item.substance] ?? 0, item.spent.uses);
  return gave;
}

function Left({ view }: { readonly view: RunView }) {
  const stock = useLoaded<StockLevel[]>('/stock');
  const { message } = App.useApp();
  const levels = stock.state === 'ready' ? stock.value : NO_STOCK;
  const matter = useMemo(() => spentMatter(view.plan, foldRun(view.plan.steps, view.events), gaveBefore(levels, view.run.id)), [view, levels]);
  const shelf = shelfOf(view.plan.own);
  if (matter.length === 0 || stock.state !== 'ready') return null;
  const keptOf = ({ stepId, dyestuffId }: SpentMatter) =>
    stock.value.find(({ item }) => item.substance === dyestuffId && item.spent?.from?.runId === view.run.id && item.spent.from.stepId === stepId)?.item.spent;
  const keep = ({ stepId, dyestuffId, uses, isMixed, atMs }: SpentMatter) => {
    const name = shelf.nameOf(dyestuffId);
    post('/stock', {
      id: newId(),
      substance: dyestuffId,
      form: 'spent',
      label: null,
      amount: { state: 'unknown' },
      unit: 'g',
      countedAtMs: Math.round(atMs),
      place: '',
      source: view.plan.name.slice(0, 160),
      pricePerUnit: null,
      ownBulkGPerMl: null,
      note: '',
      spent: { uses, keeps: 'drying', isMixed, from: { runId: view.run.id, stepId } },
    }).then(
      () => void message.success(`Spent ${name} is on the shelf: say there where it dries, and weigh it once it is dry.`, 6),
      (error: unknown) => void message.error(errorText(error), 8),
    );
  };
  return (
    <Panel title="Spent matter" label="Spent matter">
      <ul className="stack">
        {matter.map((one) => {
          const kept = keptOf(one);
          return (
            <li key={`${one.stepId}/${one.dyestuffId}`} className="line">
              <span>
                <strong>{shelf.nameOf(one.dyestuffId)}</strong>
                {one.isMixed ? ', mixed with the rest' : ''}
              </span>
              {kept ? (
                <span>on the shelf: {spentText(kept)}</span>
              ) : (
                <Button size="small" onClick={() => keep(one)}>
                  Keep it for another bath
                </Button>
              )}
            </li>
          );
        })}
      </ul>
      <p className="quiet small">A second bath is paler. Spread it thin to dry, or freeze it; what smells or grows fur goes on the heap.</p>
    </Panel>
  );
}
