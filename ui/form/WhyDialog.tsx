'use client';
import { Input, Modal } from 'antd';
import { type ReactNode, useState } from 'react';
import { errorText } from '../api/http';
import { Notice } from '../shell/Notice';

interface Props {
  readonly title: string;
  readonly okText: string;
  readonly send: (reason: string) => Promise<unknown>;
  readonly onClose: () => void;
  /** What becomes of it. */
  readonly children?: ReactNode;
}

/** Something is given up: with its reason, which stands beside it for ever. */
export function WhyDialog({ title, okText, send, onClose, children }: Props) {
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const said = reason.trim();
  return (
    <Modal
      open
      title={title}
      okText={okText}
      okButtonProps={{ disabled: said === '' }}
      onOk={() => void send(said).then(onClose, (error: unknown) => setProblem(errorText(error)))}
      onCancel={onClose}
    >
      {children}
      <Input aria-label="Why" placeholder="why" maxLength={200} value={reason} onChange={(event) => setReason(event.target.value)} />
      {problem ? <Notice kind="fault">{problem}</Notice> : null}
    </Modal>
  );
}
