'use client';
import { Checkbox, Input, Select } from 'antd';
import type { LotView } from '@/contract/views';
import { countText, printNumber } from '@/core/measure/print';
import type { ChainItem } from '@/core/plan/draft';
import { Field } from '../form/Field';
import { FigureInput } from '../form/FigureInput';
import { numberReader } from '../form/typed';
import { Open } from '../shell/Open';

/** Percent of a lot's weight. */
const share = numberReader(0.1, 100, '%');

/** Among more lots than these one searches instead of looking. */
const MOST_BOXES = 40;

interface Props {
  readonly item: ChainItem;
  readonly lots: readonly LotView[];
  readonly onChange: (change: Partial<ChainItem>) => void;
}

/** Which of the session's lots a step is for, and whether only a part of each goes in. */
export function ItemLots({ item, lots, onChange }: Props) {
  const chosen = item.lotIds ?? lots.map((lot) => lot.id);
  const choose = (ids: readonly string[]) => {
    if (ids.length === 0) return;
    onChange({ lotIds: ids.length === lots.length ? null : lots.map((lot) => lot.id).filter((one) => ids.includes(one)) });
  };
  const options = lots.map((lot) => ({ value: lot.id, label: lot.name }));
  const { part } = item;
  const whose = item.lotIds ? `${item.lotIds.length} of ${countText(lots.length, 'lot')}` : lots.length === 1 ? 'the lot' : 'all lots';
  return (
    <Open title={`For ${whose}${part ? `, only ${part.label || 'a part'}` : ''}`} open={Boolean(item.lotIds ?? part)}>
      <div className="stack">
        {lots.length > MOST_BOXES ? (
          <Select
            mode="multiple"
            aria-label="Which lots"
            value={[...chosen]}
            options={options}
            optionFilterProp="label"
            maxTagCount={MOST_BOXES}
            allowClear={false}
            onChange={choose}
          />
        ) : lots.length > 1 ? (
          <Checkbox.Group value={[...chosen]} options={options} onChange={choose} />
        ) : null}
        <Checkbox checked={Boolean(part)} onChange={() => onChange({ part: part ? null : { label: 'tips', sharePct: null } })}>
          Only a part of each goes in
        </Checkbox>
        {part ? (
          <div className="fields">
            <Field label="Which part">
              {(id) => (
                <Input
                  id={id}
                  value={part.label}
                  maxLength={60}
                  placeholder="tips, half the ribbon"
                  onChange={(event) => onChange({ part: { ...part, label: event.target.value } })}
                />
              )}
            </Field>
            <Field label="Its share of the weight">
              {(id) => (
                <FigureInput
                  id={id}
                  value={part.sharePct}
                  read={share}
                  print={(pct) => `${printNumber(pct)} %`}
                  placeholder="unknown"
                  onChange={(sharePct) => onChange({ part: { ...part, sharePct } })}
                />
              )}
            </Field>
          </div>
        ) : null}
      </div>
    </Open>
  );
}
