'use client';
import { App, Button, Popconfirm } from 'antd';
import { useState } from 'react';
import { errorText, post } from '../api/http';

interface Props {
  readonly label: string;
  readonly path: string;
  readonly revision: number;
  readonly onDone: () => void;
}

/** Takes a thing out of what is offered. Nothing is deleted: records that used it stay whole. */
export function PutAway({ label, path, revision, onDone }: Props) {
  const { message } = App.useApp();
  const [sending, setSending] = useState(false);
  const put = async () => {
    setSending(true);
    try {
      await post(path, { revision, retired: true });
      onDone();
    } catch (error) {
      void message.error(errorText(error), 8);
    } finally {
      setSending(false);
    }
  };
  return (
    <Popconfirm
      title={`${label}?`}
      description="It is no longer offered; records that used it stay whole."
      okText="Yes"
      cancelText="Not now"
      onConfirm={() => void put()}
    >
      <Button loading={sending}>{label}</Button>
    </Popconfirm>
  );
}
