'use client';
import { Button, Modal } from 'antd';
import type { Lab } from '@/core/colour/lab';
import type { Plan, PlanLot, PlanStep } from '@/core/plan/plan';
import { canRescue } from '@/core/plan/rescue';
import { isRolled } from '@/core/run/deviations';
import type { RunFact } from '@/core/run/events';
import { type SaidTrouble, TROUBLE_WORDS, troublesAt } from '@/core/run/otherwise';
import { isWithdrawn, type Look } from '@/core/swatch/look';
import { Drying } from '../look/Drying';
import { RunOnItsWay } from '../look/RunOnItsWay';
import { Open } from '../shell/Open';
import { type AskFor, actRow, actsAt, isAsk } from './acts';
import type { StoveCard } from './stoveView';

const END = actRow('end');

interface Props {
  readonly card: StoveCard;
  /** The lots that are in it. */
  readonly lots: readonly Pick<PlanLot, 'id' | 'name'>[];
  /** Lots stayed pale: they are mordanted now and all go back. */
  readonly onPale: (lotIds: readonly string[]) => void;
  /** A lot that nobody planned goes in too; null where nothing goes into anything. */
  readonly onJoin: (() => void) | null;
  /** Something went otherwise: what can be done is asked. */
  readonly onTrouble: (trouble: SaidTrouble) => void;
  /** The other pots in a hold, as this one is: whoever goes round with the spoon stirs them all. */
  readonly othersHeld: readonly PlanStep[];
  /** How it looks, in a few taps. */
  readonly onLook: () => void;
  readonly runId: string;
  readonly plan: Pick<Plan, 'lots'>;
  /** What dyes in it; null: nothing does. */
  readonly dye: string | null;
  /** What was seen at this run. */
  readonly looks: readonly Look[];
  readonly onAsk: (what: AskFor) => void;
  readonly onLog: (facts: readonly RunFact[], text: string) => void;
  readonly onClose: () => void;
}

/** Every act there is for one vessel. */
export function MoreActs({ card, lots, runId, plan, dye, looks, onPale, onJoin, onTrouble, othersHeld, onLook, onAsk, onLog, onClose }: Props) {
  const { id: stepId } = card.step;
  return (
    <Modal open title={`${card.vessel.name} · ${card.step.title}`} footer={null} onCancel={onClose} destroyOnHidden>
      <div className="vessel-acts">
        {actsAt(card.isWet, isRolled(card.step))
          .filter((act) => act.more !== null && act.id !== 'end')
          .map(({ id, more, key, log, help }) => (
            <Button key={id} className="tall" onClick={() => (log ? onLog(log(stepId), help) : isAsk(id) ? onAsk(id) : undefined)}>
              {more} {key ? <kbd>{key}</kbd> : null}
            </Button>
          ))}
        {othersHeld.length > 0 ? (
          <Button
            className="tall"
            onClick={() =>
              onLog(
                [stepId, ...othersHeld.map(({ id }) => id)].map((id) => ({ type: 'stirred', stepId: id })),
                `all ${othersHeld.length + 1} pots stirred`,
              )
            }
          >
            Stirred, all {othersHeld.length + 1} pots
          </Button>
        ) : null}
        <Button className="tall" onClick={onLook}>
          How it looks
        </Button>
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
        {onJoin ? (
          <Button className="tall" onClick={onJoin}>
            A lot goes in too
          </Button>
        ) : null}
        {canRescue(card.step)
          ? lots.map((lot) => (
              <Button key={lot.id} className="tall" onClick={() => onPale([lot.id])}>
                {lot.name} stays pale: mordant it, then {lots.length > 1 ? 'all' : 'it goes'} back
              </Button>
            ))
          : null}
        <Button className="tall" onClick={() => onLog(END.log?.(stepId) ?? [], 'ended')}>
          {END.more}
        </Button>
      </div>
      <h3 style={{ marginTop: 16 }}>It goes otherwise</h3>
      <div className="vessel-acts">
        {troublesAt(card.step).map((trouble) => (
          <Button key={trouble} className="tall" onClick={() => onTrouble(trouble)}>
            {TROUBLE_WORDS[trouble]}
          </Button>
        ))}
      </div>
      <RunOnItsWay runId={runId} plan={plan} step={card.step} />
      {card.isWet && dye !== null
        ? lots.map((lot) => (
            <Open key={lot.id} title={lots.length > 1 ? `When to lift ${lot.name}, by its colour` : 'When to lift it, by its colour'}>
              <Drying lotId={lot.id} dye={dye} wet={lastColour(looks, lot.id)} />
            </Open>
          ))
        : null}
    </Modal>
  );
}

/** How a lot last looked wet at this run; null: nobody read it. */
const lastColour = (looks: readonly Look[], lotId: string): Lab | null =>
  looks.findLast((look) => look.lotIds.includes(lotId) && look.state === 'wet' && look.part === null && look.colour && !isWithdrawn(look))?.colour?.lab ?? null;
