'use client';
import { Button, Checkbox, Table } from 'antd';
import type { Lot } from '@/core/fibre/lot';
import { knownText } from '@/core/figure';
import { countText, printFigure } from '@/core/measure/print';
import type { Method, Param } from '@/core/method/method';
import { type ChainItem, type Draft, lotsOf } from '@/core/plan/draft';
import { usePrint } from '../shell/facts';
import { StitchPatch } from '../theme/stitches';
import { eachInItsOwn, lotTapped } from './draft';

const STEP_PX = 176;
const ALL_PX = 48;
const LOT_PX = 96;
const EACH_PX = 112;

/** More lots than these are no columns any more: a step then says how many of them it is for, and they are chosen in the step. */
const MOST_COLUMNS = 40;

interface Props {
  readonly draft: Draft;
  readonly onDraft: (draft: Draft) => void;
  readonly lots: readonly Pick<Lot, 'id' | 'name'>[];
  /** Items that have begun: who was in them is history. */
  readonly locked: ReadonlySet<string>;
  readonly methods: { find(id: string, version?: number | null): Method | undefined };
}

/** Lots beside steps: who gets what, at a tap. A step is for everybody until a lot is tapped; then it is that lot's alone, and others join it. */
export function WhoGetsWhat({ draft, onDraft, lots, methods, locked }: Props) {
  const print = usePrint();
  const chosen = lots.filter((lot) => draft.lotIds.includes(lot.id));
  if (chosen.length < 2) return null;
  const figureAs = (figure: number, unit: Param['unit']) => (unit === '°C' ? print.temperature(figure) : printFigure(figure, unit));
  const isWide = chosen.length > MOST_COLUMNS;
  const nameOf = (item: ChainItem) => {
    const method = methods.find(item.methodId, item.methodVersion);
    if (!method) return 'A method that is not here';
    // Done several times, it goes by the figures that were set for it.
    const isOften = draft.chain.filter(({ methodId }) => methodId === item.methodId).length > 1;
    const set = Object.entries(item.params).flatMap(([key, value]) => {
      const param = method.params.find((one) => one.key === key);
      return isOften && param && value !== null ? [knownText(value, (figure) => figureAs(figure, param.unit))] : [];
    });
    return [method.name, ...set].join(', ');
  };
  return (
    <Table<ChainItem>
      size="small"
      pagination={false}
      rowKey="id"
      scroll={{ x: STEP_PX + ALL_PX + EACH_PX + LOT_PX * (isWide ? 1 : chosen.length) }}
      aria-label="Who gets what"
      dataSource={[...draft.chain]}
      columns={[
        {
          title: 'Step',
          key: 'step',
          fixed: 'left',
          width: STEP_PX,
          render: (_, item) => (
            <span className="line line-tight">
              <StitchPatch kind={methods.find(item.methodId)?.stage ?? 'dye'} width={12} height={18} />
              {nameOf(item)}
            </span>
          ),
        },
        {
          title: 'all',
          key: 'all',
          width: ALL_PX,
          align: 'center',
          render: (_, item) => (
            <Checkbox
              aria-label={`${nameOf(item)}: all lots`}
              checked={!item.lotIds}
              disabled={locked.has(item.id)}
              onChange={() => onDraft(lotTapped(draft, item.id, null))}
            />
          ),
        },
        ...(isWide ? [howMany(draft)] : chosen.map((lot) => column(lot, draft, onDraft, locked, nameOf))),
        {
          title: '',
          key: 'each',
          width: EACH_PX,
          render: (_, item) =>
            isWide || lotsOf(item, draft).length < 2 || locked.has(item.id) ? null : (
              <Button type="link" size="small" aria-label={`${nameOf(item)}: each lot in its own vessel`} onClick={() => onDraft(eachInItsOwn(draft, item.id))}>
                each its own
              </Button>
            ),
        },
      ]}
    />
  );
}

const howMany = (draft: Draft) => ({
  title: 'for',
  key: 'for',
  width: LOT_PX,
  render: (_: unknown, item: ChainItem) => `${lotsOf(item, draft).length} of ${countText(draft.lotIds.length, 'lot')}`,
});

const column = (lot: Pick<Lot, 'id' | 'name'>, draft: Draft, onDraft: Props['onDraft'], locked: ReadonlySet<string>, nameOf: (item: ChainItem) => string) => ({
  title: lot.name,
  key: lot.id,
  width: LOT_PX,
  align: 'center' as const,
  render: (_: unknown, item: ChainItem) => (
    <Checkbox
      disabled={locked.has(item.id)}
      aria-label={`${nameOf(item)}: ${lot.name}`}
      checked={lotsOf(item, draft).includes(lot.id)}
      onChange={() => onDraft(lotTapped(draft, item.id, lot.id))}
    />
  ),
});
