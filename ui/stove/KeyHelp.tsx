'use client';
import { Descriptions, Modal } from 'antd';
import { ACTS, CALL_ACTS } from './acts';

/** Keys that are no act on a vessel. */
const OTHERS = [
  ['m', 'every other act'],
  ['u', 'take the last act back'],
  ['/', 'find anything'],
  ['?', 'this list'],
] as const;
const KEYS: readonly (readonly [string, string])[] = [
  ['1 – 9', 'choose the vessel'],
  ...ACTS.flatMap((act) => (act.key === null ? [] : [[act.key, act.help] as const])),
  ...OTHERS,
];

export const KeyHelp = ({ onClose }: { onClose: () => void }) => (
  <Modal open title="One key an act" footer={null} onCancel={onClose}>
    <Descriptions column={1} size="small" colon={false} items={KEYS.map(([key, text]) => ({ key, label: <kbd>{key}</kbd>, children: text }))} />
    <p className="quiet">Or type a line: “2 66 c”, “1 stirred”, “1 ph 4.5”, “2 note smells of hay”, “1 stirred 10 min ago”.</p>
    <p className="quiet">Of a call: {Object.values(CALL_ACTS).map(({ line, help }, i) => `${i > 0 ? '; ' : ''}“1 ${line}”, ${help}`)}.</p>
  </Modal>
);
