'use client';
import { Button, Checkbox } from 'antd';
import { Panel } from '../shell/Page';

interface Props {
  readonly items: readonly string[];
  readonly ticked: ReadonlySet<string>;
  readonly onTick: (ticked: ReadonlySet<string>) => void;
}

/** A look around before the first act. Nothing has to be ticked: what was passed is kept as passed. */
export function BeforeStart({ items, ticked, onTick }: Props) {
  const all = ticked.size === items.length;
  return (
    <Panel
      title="Before the start"
      acts={
        <Button type="text" onClick={() => onTick(new Set(all ? [] : items))}>
          {all ? 'Take the ticks back' : 'Tick all'}
        </Button>
      }
    >
      <Checkbox.Group
        style={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 340px), 1fr))', gap: 12 }}
        options={items.map((item) => ({ value: item, label: item }))}
        value={[...ticked]}
        onChange={(values) => onTick(new Set(values))}
      />
    </Panel>
  );
}
