'use client';
import { Modal } from 'antd';

/** An act that is asked about before it is logged. */
export interface Early {
  /** "Only 12 min of 30 min held" */
  readonly title: string;
  readonly text: string;
  readonly okText: string;
  readonly cancelText: string;
  readonly go: () => void;
}

export const asEarly = (short: string, go: () => void): Early => ({
  title: `Only ${short}`,
  text: 'End it all the same? The record will say how long it was.',
  okText: 'End it',
  cancelText: 'Stay',
  go,
});

export const asFarOff = (off: string, go: () => void): Early => ({
  title: off,
  text: 'Is that what went in? If it was a slip, cancel: nothing is logged. If it is right, it stands under “Differences from the plan”.',
  okText: 'Log it',
  cancelText: 'Cancel',
  go,
});

/** Asks before a hold or a dip is cut short, or far too much is logged: a slip of a wet hand does nothing. */
export function EarlyEnd({ early, onClose }: { early: Early; onClose: () => void }) {
  return (
    <Modal
      open
      title={early.title}
      okText={early.okText}
      cancelText={early.cancelText}
      onOk={() => {
        early.go();
        onClose();
      }}
      onCancel={onClose}
    >
      {early.text}
    </Modal>
  );
}
