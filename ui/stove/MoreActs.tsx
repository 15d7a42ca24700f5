'use client';
import { Button, Modal } from 'antd';
import type { RunFact } from '@/core/run/events';
import type { AskFor, StoveCard } from './stoveView';

interface Props {
  readonly card: StoveCard;
  readonly onAsk: (what: AskFor) => void;
  readonly onLog: (facts: readonly RunFact[], text: string) => void;
  readonly onClose: () => void;
}

const ASKS: readonly { ask: AskFor; label: string; key: string }[] = [
  { ask: 'reading', label: 'Temperature', key: 'r' },
  { ask: 'ph', label: 'pH', key: 'p' },
  { ask: 'volume', label: 'Volume', key: 'v' },
  { ask: 'addition', label: 'Addition', key: 'a' },
  { ask: 'checked', label: 'Looked at it', key: 'c' },
  { ask: 'note', label: 'Note', key: 'n' },
  { ask: 'move', label: 'Move to another vessel', key: '' },
  { ask: 'weigh', label: 'Weigh a lot', key: '' },
  { ask: 'pause', label: 'Pause', key: '' },
  { ask: 'skip', label: 'Skip this step', key: '' },
];

/** Every act there is for one vessel. */
export function MoreActs({ card, onAsk, onLog, onClose }: Props) {
  const { id: stepId } = card.step;
  return (
    <Modal open title={`${card.vessel.name} · ${card.step.title}`} footer={null} onCancel={onClose} destroyOnHidden>
      <div className="vessel-acts">
        <Button className="tall" onClick={() => onLog([{ type: 'stirred', stepId }], 'stirred')}>
          Stirred <kbd>s</kbd>
        </Button>
        <Button className="tall" onClick={() => onLog([{ type: 'flipped', stepId }], 'turned')}>
          Turned the load
        </Button>
        {ASKS.map((entry) => (
          <Button key={entry.ask} className="tall" onClick={() => onAsk(entry.ask)}>
            {entry.label} {entry.key ? <kbd>{entry.key}</kbd> : null}
          </Button>
        ))}
        <Button className="tall" onClick={() => onLog([{ type: 'stepFinished', stepId }], 'ended')}>
          End this step now
        </Button>
      </div>
    </Modal>
  );
}
