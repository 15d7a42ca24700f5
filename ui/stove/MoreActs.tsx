'use client';
import { Button, Modal } from 'antd';
import type { PlanLot } from '@/core/plan/plan';
import type { RunFact } from '@/core/run/events';
import type { AskFor, StoveCard } from './stoveView';

interface Props {
  readonly card: StoveCard;
  /** The lots that are in it. */
  readonly lots: readonly Pick<PlanLot, 'id' | 'name'>[];
  /** Lots stayed pale: they are mordanted now and all go back; null where that cannot be. */
  readonly onPale: ((lotIds: readonly string[]) => void) | null;
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
export function MoreActs({ card, lots, onPale, onAsk, onLog, onClose }: Props) {
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
        {lots.length > 1
          ? lots.map((lot) => {
              const isOut = card.state.lotMoves.findLast((move) => move.lotId === lot.id)?.isOut ?? false;
              return (
                <Button
                  key={lot.id}
                  className="tall"
                  onClick={() => onLog([{ type: isOut ? 'lotIn' : 'lotOut', stepId, lotId: lot.id }], `${lot.name} ${isOut ? 'back in' : 'out'}`)}
                >
                  {lot.name} alone {isOut ? 'back in' : 'out'}
                </Button>
              );
            })
          : null}
        {onPale
          ? lots.map((lot) => (
              <Button key={lot.id} className="tall" onClick={() => onPale([lot.id])}>
                {lot.name} stays pale: mordant it, then {lots.length > 1 ? 'all' : 'it goes'} back
              </Button>
            ))
          : null}
        <Button className="tall" onClick={() => onLog([{ type: 'stepFinished', stepId }], 'ended')}>
          End this step now
        </Button>
      </div>
    </Modal>
  );
}
