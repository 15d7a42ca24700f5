'use client';
import { useState } from 'react';
import type { RunFact } from '@/core/run/events';
import { nowMs } from '../api/serverClock';
import { Field } from '../form/Field';
import { TypedInput } from '../form/TypedInput';
import type { Read } from '../form/typed';
import { usePrint } from '../shell/facts';
import { SpeakAct } from './SpeakAct';
import { spokenLine } from './spokenLine';
import type { StoveCard } from './stoveView';
import { TYPE_ACT_PX } from './typeActPx';
import { typedFacts } from './typedFacts';

interface Props {
  readonly cards: readonly StoveCard[];
  readonly chosen: StoveCard | undefined;
  readonly onLog: (facts: readonly RunFact[], text: string, agoMin: number) => void;
}

/** One line for an act, for whoever types or speaks faster than they point; what it will log stands under it. */
export function TypeAct({ cards, chosen, onLog }: Props) {
  const print = usePrint();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const read = (typed: string): Read<unknown> => {
    if (typed.trim() === '') return { ok: true, value: null, says: '' };
    const got = typedFacts(typed, cards, chosen, print, nowMs());
    return got.ok ? { ok: true, value: got.value, says: got.value.says } : { ok: true, value: null, says: '' };
  };
  const submit = (typed: string) => {
    if (typed.trim() === '') return;
    const got = typedFacts(typed, cards, chosen, print, nowMs());
    if (!got.ok) return setProblem(got.error);
    onLog(got.value.facts, got.value.says, got.value.agoMin);
    setText('');
  };
  /** What was heard stands there to be seen, and to be mended where it is not understood. */
  const heard = (words: string) => {
    const line = spokenLine(words);
    setText(line);
    setProblem(null);
    submit(line);
  };
  return (
    <form
      className="panel type-act"
      style={{ minHeight: TYPE_ACT_PX, position: 'relative' }}
      onSubmit={(event) => {
        event.preventDefault();
        submit(text);
      }}
    >
      <Field label="Type an act">
        {(id) => (
          <TypedInput
            id={id}
            className="figure"
            value={text}
            placeholder="2 66 c"
            maxLength={400}
            read={read}
            fault={problem}
            onChange={(next) => {
              setText(next);
              setProblem(null);
            }}
          />
        )}
      </Field>
      <SpeakAct onHeard={heard} onTrouble={setProblem} />
    </form>
  );
}
