'use client';
import { Input, InputNumber } from 'antd';
import type { LotView } from '@/contract/views';
import type { ChainItem } from '@/core/plan/plan';

interface Props {
  readonly item: ChainItem;
  readonly lots: readonly LotView[];
  readonly onChange: (change: Partial<ChainItem>) => void;
}

/** Which of the session's lots a step is for, and whether only a part of each goes in. */
export function ItemLots({ item, lots, onChange }: Props) {
  const chosen = item.lotIds ?? lots.map((lot) => lot.id);
  const toggle = (id: string) => {
    const next = chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id];
    if (next.length === 0) return;
    onChange({ lotIds: next.length === lots.length ? null : lots.map((lot) => lot.id).filter((one) => next.includes(one)) });
  };
  const { part } = item;
  return (
    <details className="item-lots" open={Boolean(item.lotIds ?? part) || undefined}>
      <summary>
        For {item.lotIds ? `${item.lotIds.length} of ${lots.length} lots` : lots.length === 1 ? 'the lot' : 'all lots'}
        {part ? `, only ${part.label || 'a part'}` : ''}
      </summary>
      {lots.length > 1
        ? lots.map((lot) => (
            <label key={lot.id} className="check-line">
              <input type="checkbox" checked={chosen.includes(lot.id)} onChange={() => toggle(lot.id)} /> {lot.name}
            </label>
          ))
        : null}
      <label className="check-line">
        <input type="checkbox" checked={Boolean(part)} onChange={() => onChange({ part: part ? null : { label: 'tips', sharePct: null } })} /> Only a part of
        each goes in
      </label>
      {part ? (
        <div className="params">
          <label className="field">
            <span>Which part</span>
            <Input
              value={part.label}
              maxLength={60}
              placeholder="tips, half the ribbon"
              onChange={(event) => onChange({ part: { ...part, label: event.target.value } })}
            />
          </label>
          <label className="field">
            <span>Its share of the weight</span>
            <InputNumber
              value={part.sharePct}
              min={0.1}
              max={100}
              suffix="%"
              placeholder="unknown"
              style={{ width: '100%' }}
              onChange={(sharePct) => onChange({ part: { ...part, sharePct } })}
            />
          </label>
        </div>
      ) : null}
    </details>
  );
}
