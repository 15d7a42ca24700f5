import type { Printer } from '@/core/measure/printer';
import { err, ok, type Result, unreachable } from '@/core/result';
import { heatText, rolledText } from '@/core/run/describeEvent';
import { isRolled } from '@/core/run/deviations';
import { HIGHEST_KNOB, type RunFact } from '@/core/run/events';
import { parseAct } from './parseAct';
import { nextAct, type StoveCard } from './stoveView';

export interface TypedFacts {
  readonly facts: readonly RunFact[];
  readonly agoMin: number;
  /** What was understood, in words. */
  readonly says: string;
}

/** One typed line as facts for the log, or what to mend. */
export function typedFacts(text: string, cards: readonly StoveCard[], chosen: StoveCard | undefined, print: Printer): Result<TypedFacts, string> {
  const line = parseAct(text);
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
      if (what.quantity === 'bathC' && (what.value < -10 || what.value > 150)) return err('No bath reads that. Between −10 and 150 °C.');
      if (what.quantity === 'ph' && (what.value < 0 || what.value > 14)) return err('A pH lies between 0 and 14.');
      const words =
        what.quantity === 'bathC'
          ? `reads ${print.temperature(what.value)}`
          : what.quantity === 'ph'
            ? `pH ${what.value}`
            : `holds ${print.volume(what.value)}`;
      return done(words, { type: 'reading', stepId, quantity: what.quantity, value: what.value });
    }
    case 'stirred':
    case 'flipped':
      return done(what.act === 'stirred' ? 'stirred' : 'load turned', { type: what.act, stepId });
    case 'heat':
      if (what.knob !== null && (what.knob < 0 || what.knob > HIGHEST_KNOB)) return err(`A knob goes from 0 to at most ${HIGHEST_KNOB}.`);
      return done(heatText(what), { type: 'heatSet', stepId, knob: what.knob, hasLid: what.hasLid });
    case 'rolled':
      if (!isRolled(card.step)) return err('Only a bundle is rolled.');
      return done(rolledText(what), { type: 'rolled', stepId, tightness: what.tightness, hasBarrier: what.hasBarrier });
    case 'checked':
      return done(`looked${what.text ? `: ${what.text}` : ''}`, { type: 'checked', stepId, finding: what.text });
    case 'note':
      return done(`note: ${what.text}`, { type: 'note', stepId, text: what.text });
    case 'next': {
      const { does, label } = nextAct(card.step, card.clock);
      return done(label.toLowerCase(), ...('log' in does ? does.log : []));
    }
    default:
      return unreachable(what);
  }
}
