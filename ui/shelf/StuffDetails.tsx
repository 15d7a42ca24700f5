'use client';
import { Descriptions } from 'antd';
import { molarMass, printFormula } from '@/core/chem/molarMass';
import { spoonsToGrams } from '@/core/dose/spoons';
import { triedText } from '@/core/fibre/tried';
import { printNumber } from '@/core/measure/print';
import { convert } from '@/core/measure/units';
import { plantRow } from '@/core/safety/data/plants';
import { type Assistant, LEFT_OVER_WORD, WEAR_WORD } from '@/core/shelf/assistant';
import { CHEMISTRY_WORD, type Dyestuff, MORDANT_WORD, type Said } from '@/core/shelf/dyestuff';
import { useTried } from '../api/useTried';
import { useFastness } from '../fastness/useFastness';
import { Caution } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { Trade } from '../shell/Help';

const MARK = { practice: '', uncertain: ' (uncertain)', estimate: ' (our estimate)' } as const;
const said = (what: Said): string => (what.text === '' ? '' : `${what.text}${MARK[what.standing]}`);

/** One dyestuff of the shelf, opened: figures with the mark of how sure they are. */
export function DyestuffDetails({ stuff }: { stuff: Dyestuff }) {
  const tried = useTried();
  const fastness = useFastness();
  const print = usePrint();
  const row = stuff.plantRow ? plantRow(stuff.plantRow) : undefined;
  const ratios = Object.entries(stuff.ratio).map(([form, ratio]) => `${form} ${printNumber(ratio)} : 1`);
  const rows: readonly (readonly [string, string])[] = [
    ...(stuff.botanical ? [['botanical name', stuff.botanical] as const] : []),
    ['heat and time', print.says(said(stuff.heat))],
    ['never above', stuff.maxC === null ? 'no figure beyond the method’s' : print.temperature(stuff.maxC)],
    ['to fibre', ratios.length === 0 ? 'no fixed ratio: as much as you have' : ratios.join(', ')],
    ['colour', said(stuff.colour)],
    ['behaviour', said(stuff.behaviour)],
    ['acid and alkali', stuff.phSensitive ? 'move it' : 'nothing said'],
    ['light and washing', fastness(stuff)],
  ];
  return (
    <div className="stack">
      <p className="quiet">
        <Trade>{`${MORDANT_WORD[stuff.mordant]}; ${CHEMISTRY_WORD[stuff.chemistry]}`}</Trade>
      </p>
      <p>{triedText(tried.substances.get(stuff.name))}</p>
      <Facts rows={rows} />
      {row ? <Caution severity={row.severity} text={`${row.trouble}. ${row.say}`} /> : null}
    </div>
  );
}

/** Stored damp or warm it heats itself (safety handbook X15). */
const REDUCER_KEPT = 'Kept damp, or above 30 °C, it heats itself up: a dry spoon, its own closed tub, a cool place. Smoke: out, and call the fire service.';

/** One chemical of the shelf, opened: dose, hazards, what it weighs by the spoon, where its leftovers go. */
export function AssistantDetails({ assistant }: { assistant: Assistant }) {
  const tried = useTried();
  const print = usePrint();
  const spoon = assistant.bulkGPerMl ? spoonsToGrams(convert(1, 'metricTsp', 'mL'), assistant.bulkGPerMl) : null;
  const limit = assistant.limit;
  const unit = limit?.per === 'gPerL' ? 'g/L' : '% of the fibre';
  const rows: readonly (readonly [string, string])[] = [
    ['usual', assistant.usual],
    ['care above', limit && limit.cautionAbove > 0 ? `${printNumber(limit.cautionAbove)} ${unit}: ${limit.why}` : limit ? `any: ${limit.why}` : 'no figure'],
    ['stop above', limit?.stopAbove ? `${printNumber(limit.stopAbove)} ${unit}${limit.stopNeedsReason ? ', unless you say why' : ''}` : 'no figure'],
    ['formula', assistant.formula ? `${printFormula(assistant.formula)}, ${printNumber(molarMass(assistant.formula))} g/mol` : 'a mixture'],
    [
      'a teaspoon (5 mL)',
      spoon
        ? `about ${print.mass(spoon.midG)}, ${print.mass(spoon.lowG)} to ${print.mass(spoon.highG)}${MARK[assistant.bulkStanding]}: weigh your own once`
        : 'nobody wrote it down',
    ],
    ['wear', assistant.wear.map((piece) => WEAR_WORD[piece]).join(', ') || 'nothing special'],
    ['keep from', assistant.keepFrom || 'nothing said'],
    [
      'on many labels',
      [assistant.signal === 'none' ? 'usually not classified, which is not the same as no hazard' : assistant.signal, assistant.hazardCodes]
        .filter(Boolean)
        .join(': '),
    ],
    ['what is left over', LEFT_OVER_WORD[assistant.leftOver]],
  ];
  return (
    <div className="stack">
      <p>{assistant.inBrief}</p>
      <p>{triedText(tried.substances.get(assistant.name))}</p>
      <Facts rows={rows} />
      {assistant.reacts.includes('reducer') ? <Caution severity="caution" text={print.says(REDUCER_KEPT)} /> : null}
      <p className="quiet small">
        Hazards as on many sheets, {assistant.confidence === 'H' ? 'settled' : assistant.confidence === 'M' ? 'usual' : 'from memory'}. The label and safety
        data sheet of what you hold win.
      </p>
    </div>
  );
}

const Facts = ({ rows }: { rows: readonly (readonly [string, string])[] }) => (
  <Descriptions
    column={1}
    size="small"
    colon={false}
    styles={{ label: { width: 150 } }}
    items={rows.filter(([, value]) => value !== '').map(([what, value]) => ({ key: what, label: what, children: value }))}
  />
);
