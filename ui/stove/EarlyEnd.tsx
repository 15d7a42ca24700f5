'use client';
import { Modal } from 'antd';

export interface Early {
  /** "12 min of 30 min held" */
  readonly text: string;
  readonly go: () => void;
}

/** Asks before a hold or a dip is cut short: a slip of a wet hand ends nothing. */
export function EarlyEnd({ early, onClose }: { early: Early; onClose: () => void }) {
  return (
    <Modal
      open
      title={`Only ${early.text}`}
      okText="End it"
      cancelText="Stay"
      onOk={() => {
        early.go();
        onClose();
      }}
      onCancel={onClose}
    >
      End it all the same? The record will say how long it was.
    </Modal>
  );
}
