import { lowerFirst } from '@/core/measure/lowerFirst';
import { printDuration } from '@/core/measure/print';
import type { Printer } from '@/core/measure/printer';
import { err, ok, type Result, unreachable } from '@/core/result';
import { heatText, rolledText } from '@/core/run/describeEvent';
import { isRolled } from '@/core/run/deviations';
import { HIGHEST_KNOB, LET_GO_CALLS, LONGEST_PUT_OFF_MS, PUT_OFF_CALLS, type RunFact } from '@/core/run/events';
import { type Quantity, readingText } from '@/core/run/saidAs';
import { parseAct, type TypedAct } from './parseAct';
import { nextAct, type StoveCard } from './stoveView';

export interface TypedFacts {
  readonly facts: readonly RunFact[];
  readonly agoMin: number;
  /** What was understood, in words. */
  readonly says: string;
}

/** One typed line as facts for the log, or what to mend. */
export function typedFacts(
  text: string,
  cards: readonly StoveCard[],
  chosen: StoveCard | undefined,
  print: Printer,
  nowMs: number,
): Result<TypedFacts, string> {
  const line = parseAct(text, print.measures.temperature);
  if (!line) return err('Not understood. Try “2 66 c”, “1 stirred”, “1 ph 4.5” or “note it smells of hay”.');
  const card = line.card === null ? chosen : cards.find((c) => c.number === line.card);
  const { what, agoMin } = line;
  const done = (says: string, ...facts: readonly RunFact[]) =>
    ok({ facts, agoMin, says: `${card ? `${card.vessel.name}: ` : ''}${says}${agoMin > 0 ? `, ${agoMin} min ago` : ''}` });
  if (!card) {
    if (line.card !== null) return err(`There is no pot ${line.card} in use.`);
    // A note needs no pot: there is something to say of a day when nothing stands on the heat, too.
    if (what.act === 'note') return done(`note: ${what.text}`, { type: 'note', stepId: null, text: what.text });
    return err('No vessel is in use: begin a step first. A note can be written all the same.');
  }
  const stepId = card.step.id;
  switch (what.act) {
    case 'reading': {
      const [least, most] = what.said?.as === 'between' ? [what.said.low, what.said.high] : [what.value, what.value];
      if (what.quantity === 'bathC' && (least < -10 || most > 150))
        return err(`No bath reads that. Between ${print.temperature(-10)} and ${print.temperature(150)}.`);
      if (what.quantity === 'ph' && (least < 0 || most > 14)) return err('A pH lies between 0 and 14.');
      const { act: _act, ...reading } = what;
      return done(`${READS[what.quantity]} ${readingText(what.quantity, what, print)}`, { type: 'reading', stepId, ...reading });
    }
    case 'stirred':
    case 'flipped':
      return done(what.act === 'stirred' ? 'stirred' : 'load turned', { type: what.act, stepId });
    case 'heat':
      if (what.knob !== null && (what.knob < 0 || what.knob > HIGHEST_KNOB)) return err(`A knob goes from 0 to at most ${HIGHEST_KNOB}.`);
      return done(heatText(what), { type: 'heatSet', stepId, knob: what.knob, hasLid: what.hasLid });
    case 'later':
    case 'letGo':
      return callWaits(card, what, nowMs, done);
    case 'rolled':
      if (!isRolled(card.step)) return err('Only a bundle is rolled.');
      return done(rolledText(what), { type: 'rolled', stepId, tightness: what.tightness, hasBarrier: what.hasBarrier });
    case 'checked':
      return done(`looked${what.text ? `: ${what.text}` : ''}`, { type: 'checked', stepId, finding: what.text });
    case 'note':
      return done(`note: ${what.text}`, { type: 'note', stepId, text: what.text });
    case 'next': {
      const { does, label } = nextAct(card.step, card.clock);
      return done(lowerFirst(label), ...('log' in does ? does.log : []));
    }
    default:
      return unreachable(what);
  }
}

/** The call of a pot that is due is put off, or let go. */
function callWaits(
  { nextCall, step: { id: stepId } }: StoveCard,
  what: Extract<TypedAct, { act: 'later' | 'letGo' }>,
  nowMs: number,
  done: (says: string, fact: RunFact) => Result<TypedFacts, string>,
): Result<TypedFacts, string> {
  if (!nextCall?.due) return err('Nothing is called for there now.');
  if (what.act === 'letGo') {
    const call = LET_GO_CALLS.find((one) => one === nextCall.act);
    return call ? done(`let go: ${nextCall.text}`, { type: 'callLetGo', stepId, call }) : err('This call cannot be let go: do it, or skip the step.');
  }
  const call = nextCall.stop ? undefined : PUT_OFF_CALLS.find((one) => one === nextCall.act);
  if (!call) return err('This call does not wait.');
  if (what.min < 1 || what.min * MIN_MS > LONGEST_PUT_OFF_MS) return err('Between a minute and a day: “later 10 min”.');
  return done(`in ${printDuration(what.min)}: ${nextCall.text}`, { type: 'callPutOff', stepId, call, untilMs: Math.round(nowMs + what.min * MIN_MS) });
}
const MIN_MS = 60_000;
const READS: Readonly<Record<Quantity, string>> = { bathC: 'reads', ph: 'pH', volumeMl: 'holds' };
