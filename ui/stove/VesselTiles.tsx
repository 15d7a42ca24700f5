'use client';
import { Button } from 'antd';
import { usePrint } from '../shell/facts';
import { HandMark, StopMark } from '../shell/Marks';
import type { StoveCard } from './stoveView';

interface Props {
  readonly cards: readonly StoveCard[];
  readonly chosen: StoveCard | undefined;
  readonly onChoose: (card: StoveCard) => void;
}

/** More pots than fit as whole cards: each as one tile that still reads from two steps away; a tap opens one below. */
export const VesselTiles = ({ cards, chosen, onChoose }: Props) => (
  <section className="vessel-tiles" aria-label="All pots">
    {cards.map((card) => (
      <Tile key={card.step.id} card={card} isChosen={card === chosen} onChoose={() => onChoose(card)} />
    ))}
  </section>
);

function Tile({ card, isChosen, onChoose }: { card: StoveCard; isChosen: boolean; onChoose: () => void }) {
  const print = usePrint();
  const { number, vessel, step, temperature, progress, nextCall, isWet } = card;
  return (
    <Button className={`tall vessel-tile${isChosen ? ' vessel-chosen' : ''}`} aria-pressed={isChosen} onClick={onChoose}>
      <span className="tile-name">
        {number} · {vessel.name}
      </span>
      <span className="quiet small tile-name">{step.title}</span>
      {isWet ? <span className="big-figure">{temperature ? temperature.text : 'not read'}</span> : null}
      <span className="small tile-name">{progress?.text ?? card.doing}</span>
      {nextCall ? (
        <span className={`tile-call${nextCall.due && !nextCall.stop ? ' vessel-due' : ''}`}>
          {nextCall.stop ? <StopMark size={16} /> : nextCall.due ? <HandMark size={16} /> : null}
          <span className="tile-name">{print.says(nextCall.text)}</span>
          <strong>{nextCall.when}</strong>
        </span>
      ) : null}
    </Button>
  );
}
