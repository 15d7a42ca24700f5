'use client';
import { Descriptions, Modal } from 'antd';

const KEYS = [
  ['1 – 9', 'choose the vessel'],
  ['b', 'on to the next part: heat on, start hold, lift, done'],
  ['r', 'log a temperature'],
  ['s', 'stirred'],
  ['a', 'log an addition'],
  ['c', 'looked at it'],
  ['p', 'log a pH'],
  ['v', 'log a volume'],
  ['n', 'note'],
  ['m', 'every other act'],
  ['u', 'take the last act back'],
  ['/', 'find anything'],
  ['?', 'this list'],
] as const;

export const KeyHelp = ({ onClose }: { onClose: () => void }) => (
  <Modal open title="One key an act" footer={null} onCancel={onClose}>
    <Descriptions column={1} size="small" colon={false} items={KEYS.map(([key, text]) => ({ key, label: <kbd>{key}</kbd>, children: text }))} />
    <p className="quiet">Or type a line: “2 66 c”, “1 stirred”, “1 ph 4.5”, “2 note smells of hay”, “1 stirred 10 min ago”.</p>
  </Modal>
);
