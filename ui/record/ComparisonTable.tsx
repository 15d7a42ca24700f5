'use client';
import { Table, type TableProps } from 'antd';
import type { PlanStep } from '@/core/plan/plan';
import type { Comparison } from '@/core/run/deviations';
import { usePrint } from '../shell/facts';
import { StitchPatch } from '../theme/stitches';

type Row = { readonly key: string; readonly step: PlanStep } | ({ readonly key: string; readonly step: null } & Comparison);

/** Every planned figure beside what was done, step by step. */
export function ComparisonTable({ steps, comparisons }: { steps: readonly PlanStep[]; comparisons: readonly Comparison[] }) {
  const print = usePrint();
  const rows = steps.flatMap((step): Row[] => [
    { key: step.id, step },
    ...comparisons.filter((row) => row.stepId === step.id).map((row, i) => ({ ...row, key: `${step.id}/${i}`, step: null })),
  ]);
  const heading = (row: Row) => (row.step ? { colSpan: 4 } : {});
  const inside = (row: Row) => (row.step ? { colSpan: 0 } : {});
  const columns: TableProps<Row>['columns'] = [
    {
      title: 'Figure',
      key: 'what',
      rowScope: 'row',
      onCell: heading,
      render: (_, row) =>
        row.step ? (
          <>
            <StitchPatch kind={row.step.kind} width={12} height={16} /> <strong>{row.step.title}</strong>
          </>
        ) : (
          row.what
        ),
    },
    { title: 'Planned', key: 'planned', onCell: inside, render: (_, row) => (row.step ? null : print.says(row.planned)) },
    { title: 'Done', key: 'actual', onCell: inside, render: (_, row) => (row.step ? null : print.says(row.actual)) },
    {
      title: 'Difference',
      key: 'difference',
      onCell: inside,
      render: (_, row) =>
        row.step ? null : row.difference ? print.says(row.difference) : <span className="quiet">{row.seen ? 'as planned' : 'nobody can say'}</span>,
    },
  ];
  return (
    <div className="frame frame-wide compare">
      <Table columns={columns} dataSource={rows} pagination={false} size="small" />
    </div>
  );
}
