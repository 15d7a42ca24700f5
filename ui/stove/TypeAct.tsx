'use client';
import { useState } from 'react';
import type { RunFact } from '@/core/run/events';
import { parseAct } from './parseAct';
import { nextAct, type StoveCard } from './stoveView';

interface Props {
  readonly cards: readonly StoveCard[];
  readonly chosen: StoveCard | undefined;
  readonly onLog: (facts: readonly RunFact[], text: string, agoMin: number) => void;
}

/** One line for an act, for whoever types faster than they point. */
export function TypeAct({ cards, chosen, onLog }: Props) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const submit = () => {
    if (text.trim() === '') return;
    const line = parseAct(text);
    if (!line) return setProblem('Not understood. Try “2 66 c”, “1 stirred”, “1 ph 4.5” or “note it smells of hay”.');
    const card = line.card === null ? chosen : cards.find((c) => c.number === line.card);
    if (!card) return setProblem(line.card === null ? 'No vessel is in use.' : `There is no pot ${line.card} in use.`);
    const { what } = line;
    const stepId = card.step.id;
    if (what.act === 'reading' && what.quantity === 'bathC' && (what.value < -10 || what.value > 150))
      return setProblem('No bath reads that. Between −10 and 150 °C.');
    if (what.act === 'reading' && what.quantity === 'ph' && (what.value < 0 || what.value > 14)) return setProblem('A pH lies between 0 and 14.');
    const facts = (): readonly RunFact[] => {
      switch (what.act) {
        case 'reading':
          return [{ type: 'reading', stepId, quantity: what.quantity, value: what.value }];
        case 'stirred':
        case 'flipped':
          return [{ type: what.act, stepId }];
        case 'checked':
          return [{ type: 'checked', stepId, finding: what.text }];
        case 'note':
          return [{ type: 'note', stepId, text: what.text }];
        case 'next': {
          const { does } = nextAct(card.step, card.clock);
          return 'log' in does ? does.log : [];
        }
      }
    };
    onLog(facts(), `pot ${card.number}, ${text.trim()}`, line.agoMin);
    setText('');
    setProblem(null);
  };
  return (
    <form
      className="type-act"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <label htmlFor="type-act">Type an act</label>
      <input id="type-act" value={text} placeholder="2 66 c" autoComplete="off" maxLength={400} onChange={(event) => setText(event.target.value)} />
      {problem ? (
        <p className="field-error" role="alert">
          {problem}
        </p>
      ) : null}
    </form>
  );
}
