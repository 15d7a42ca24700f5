'use client';
import { Collapse } from 'antd';
import { type ReactNode, useState } from 'react';

interface Props {
  readonly title: ReactNode;
  readonly extra?: ReactNode;
  readonly open?: boolean;
  readonly className?: string;
  readonly children: ReactNode;
}

/** Something folded that opens where it stands. What is in it is made when it is first opened, and kept. */
export function Open({ title, extra, open = false, className, children }: Props) {
  const [opened, setOpened] = useState(open);
  return (
    <Collapse
      ghost
      size="small"
      className={className ?? ''}
      activeKey={opened ? ['in'] : []}
      onChange={(keys) => setOpened(keys.length > 0)}
      items={[{ key: 'in', label: title, extra, children }]}
    />
  );
}
