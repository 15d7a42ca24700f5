import { describe, expect, test } from 'vitest';
import { METHODS } from '@/core/method/library';
import { type AdditionRule, type PhaseTemplate, usualParams } from '@/core/method/method';
import { bathText, phaseTemplateText, ruleText } from './templateText';

const at = (param: string) => ({ param });
const span = (min: number, typical: number, max: number) => ({ min, typical, max });

describe('phases in words, with their usual figures', () => {
  test.each<[PhaseTemplate, string]>([
    [{ kind: 'charge', minutes: 15, act: 'Put the wet goods in' }, 'Put the wet goods in (15 min, hands)'],
    [{ kind: 'lift', minutes: 5, act: 'Lift out' }, 'Lift out (5 min, hands)'],
    [{ kind: 'raise', toC: 80, maxRateCPerMin: 1 }, 'Heat up to 80 °C, no faster than 1 °C a minute'],
    [{ kind: 'raise', toC: 80, maxRateCPerMin: null }, 'Heat up to 80 °C'],
    [
      { kind: 'hold', lowC: 80, highC: 90, ceilingC: 95, minutes: span(60, 60, 60), stirEveryMin: 15, flipAtMin: 30 },
      'Hold 1 h at 80–90 °C, never above 95 °C; stir every 15 min; turn at 30 min',
    ],
    [{ kind: 'hold', lowC: null, highC: null, ceilingC: null, minutes: span(20, 30, 40), stirEveryMin: null, flipAtMin: null }, 'Hold 30 min by the clock'],
    [{ kind: 'dip', exactMin: 3, act: 'Into the iron' }, 'Into the iron: 3 min, exactly'],
    [{ kind: 'soak', minutes: span(60, 720, 1440), checkEveryMin: 120 }, 'Soak about 12 h, a look every 2 h'],
    [{ kind: 'soak', minutes: span(60, 720, 1440), checkEveryMin: null }, 'Soak about 12 h'],
    [
      { kind: 'until', minutes: span(1440, 7200, 9000), checkEveryMin: 1440, criterion: 'two shades darker than wanted' },
      'Wait until two shades darker than wanted: a look every 1 d, usually about 5 d',
    ],
    [{ kind: 'rest', minutes: span(60, 480, 1440), overnightOk: true }, 'Rest with the heat off about 8 h; a night is fine'],
    [{ kind: 'rest', minutes: span(60, 480, 1440), overnightOk: false }, 'Rest with the heat off about 8 h'],
  ])('%j', (phase, text) => expect(phaseTemplateText(phase, {})).toBe(text));
  test('a figure is looked up by its name; one that is not given is said, never 0', () => {
    const hold: PhaseTemplate = {
      kind: 'hold',
      lowC: at('low'),
      highC: at('high'),
      ceilingC: null,
      minutes: { min: at('t'), typical: at('t'), max: at('t') },
      stirEveryMin: null,
      flipAtMin: null,
    };
    expect(phaseTemplateText(hold, { low: 70, high: 80, t: 45 })).toBe('Hold 45 min at 70–80 °C');
    expect(phaseTemplateText(hold, { low: 70, high: null, t: null })).toBe('Hold a time you set at 70–unknown °C');
  });
});

describe('quantities as rules in words', () => {
  test.each<[AdditionRule, string]>([
    [{ id: 'x', substance: 'alum', rule: 'wofPct', pct: 10 }, '10 % of the fibre’s weight'],
    [{ id: 'x', substance: 'vinegar', rule: 'mLPerL', dose: 5 }, '5 mL per litre of bath'],
    [{ id: 'x', substance: 'chalk', rule: 'gPerL', dose: 20 }, '20 g per litre of bath'],
    [{ id: 'x', substance: 'vinegar', rule: 'bathPct', pct: 25 }, '25 % of the whole bath by volume'],
    [{ id: 'x', substance: 'dyestuff', rule: 'ratio', ratio: 10 }, '10 : 1 to the fibre'],
    [{ id: 'x', substance: 'teaBlack', rule: 'perPiece', count: 0.5 }, '0.5 to a piece'],
    [{ id: 'x', substance: 'rust', rule: 'times', count: 7, each: 2 }, '7 × 2'],
    [{ id: 'x', substance: 'dyestuff', rule: 'byEye', words: 'as laid' }, 'as laid'],
    [{ id: 'x', substance: 'alum', rule: 'wofPct', pct: at('alumPct') }, 'unknown % of the fibre’s weight'],
  ])('%j', (rule, text) => expect(ruleText(rule, { alumPct: null })).toBe(text));
  test('a blocked line says that no dose is worked out', () =>
    expect(ruleText({ id: 'x', substance: 'blocked', rule: 'blocked', words: 'Potassium dichromate, 3 %' }, {})).toMatch(
      /^not supported: no dose is worked out\./,
    ));
});

test('every method of the library reads without a hole', () => {
  for (const method of METHODS) {
    const params = usualParams(method);
    for (const step of method.steps) {
      const texts = [
        ...step.phases.map((phase) => phaseTemplateText(phase, params)),
        ...step.additions.map((rule) => ruleText(rule, params)),
        bathText(step, params) ?? '',
      ];
      for (const text of texts) expect(text, `${method.id}/${step.key}`).not.toMatch(/undefined|NaN|\[object/);
    }
  }
});
