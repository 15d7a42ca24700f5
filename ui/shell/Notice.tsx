import { Alert } from 'antd';
import type { ReactNode } from 'react';
import { StopMark } from './Marks';

interface Props {
  /** Something to know, or something that did not work. */
  readonly kind?: 'say' | 'fault';
  readonly children: ReactNode;
  readonly acts?: ReactNode;
}

/** One thing said on a page, where it matters. */
export const Notice = ({ kind = 'say', children, acts }: Props) => (
  <Alert
    type={kind === 'fault' ? 'error' : 'info'}
    role={kind === 'fault' ? 'alert' : 'status'}
    showIcon={kind === 'fault'}
    icon={kind === 'fault' ? <StopMark /> : undefined}
    title={children}
    action={acts}
  />
);
