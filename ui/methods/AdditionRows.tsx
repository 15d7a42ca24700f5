'use client';
import { Button, Input, Select } from 'antd';
import { isLiquid } from '@/core/chem/freed';
import { AMOUNT_UNITS } from '@/core/measure/print';
import type { AdditionRule, Param, Ref } from '@/core/method/method';
import { unreachable } from '@/core/result';
import type { Book } from '../api/useBook';
import { Field } from '../form/Field';
import { RefField } from './RefField';

const RULES: readonly { value: AdditionRule['rule']; label: string }[] = [
  { value: 'wofPct', label: '% of the fibre' },
  { value: 'gPerL', label: 'g per litre' },
  { value: 'mLPerL', label: 'mL per litre' },
  { value: 'mLPerG', label: 'mL per gram of fibre' },
  { value: 'toPh', label: 'to the pH aimed at' },
  { value: 'bathPct', label: '% of the bath' },
  { value: 'ratio', label: 'to fibre, : 1' },
  { value: 'perPiece', label: 'to a piece' },
  { value: 'perPortion', label: 'to a portion' },
  { value: 'byEye', label: 'by eye, in words' },
];

const figureOf = (rule: AdditionRule): Ref =>
  'pct' in rule ? rule.pct : 'dose' in rule ? rule.dose : 'ratio' in rule ? rule.ratio : 'count' in rule ? rule.count : 1;

/** The same addition by another rule; its figure goes along. */
function ruled(id: string, substance: string, kind: AdditionRule['rule'], value: Ref, words: string): AdditionRule {
  switch (kind) {
    case 'wofPct':
    case 'bathPct':
      return { id, substance, rule: kind, pct: value };
    case 'gPerL':
    case 'mLPerL':
    case 'mLPerG':
      return { id, substance, rule: kind, dose: value };
    case 'toPh':
      return { id, substance, rule: kind, per: isLiquid(substance) ? 'mLPerL' : 'gPerL', dose: value };
    case 'perPortion':
      return { id, substance, rule: kind, dose: value, portionG: 100, unit: 'g' };
    case 'ratio':
      return { id, substance: 'dyestuff', rule: kind, ratio: value };
    case 'perPiece':
      return { id, substance, rule: kind, count: value };
    case 'times':
      return { id, substance, rule: kind, count: value, each: 1 };
    case 'byEye':
    case 'blocked':
      return { id, substance, rule: kind, words };
    default:
      return unreachable(kind);
  }
}

interface Props {
  readonly additions: readonly AdditionRule[];
  readonly params: readonly Param[];
  readonly book: Book;
  readonly onChange: (additions: readonly AdditionRule[]) => void;
}

/** What goes in, each as a rule. A blocked line keeps its words and cannot be given a dose. */
export function AdditionRows({ additions, params, book, onChange }: Props) {
  return (
    <>
      {additions.map((rule, i) => {
        const words = rule.rule === 'byEye' || rule.rule === 'blocked' ? rule.words : 'as much as you have';
        const set = (next: AdditionRule) => onChange(additions.with(i, next));
        return (
          <div key={rule.id} className="fields addition-row">
            {rule.rule === 'blocked' ? (
              <p className="fault">{rule.words}: not supported here, no dose is worked out</p>
            ) : (
              <>
                <Field label="What goes in">
                  {(id) => (
                    <Select
                      id={id}
                      value={rule.substance}
                      showSearch={{ optionFilterProp: 'label' }}
                      popupMatchSelectWidth={false}
                      options={[{ value: 'dyestuff', label: 'the dyestuff' }, ...book.assistants.map((one) => ({ value: one.id, label: one.name }))]}
                      onChange={(substance: string) =>
                        set(ruled(rule.id, substance, substance === 'dyestuff' ? 'ratio' : rule.rule === 'ratio' ? 'wofPct' : rule.rule, figureOf(rule), words))
                      }
                      style={{ width: '100%' }}
                    />
                  )}
                </Field>
                <Field label="By which rule">
                  {(id) => (
                    <Select
                      id={id}
                      value={rule.rule}
                      options={[...RULES]}
                      popupMatchSelectWidth={false}
                      onChange={(kind) => set(ruled(rule.id, rule.substance, kind, figureOf(rule), words))}
                      style={{ width: '100%' }}
                    />
                  )}
                </Field>
                {rule.rule === 'byEye' ? (
                  <Field label="In words">
                    {(id) => <Input id={id} value={rule.words} maxLength={400} onChange={(event) => set({ ...rule, words: event.target.value })} />}
                  </Field>
                ) : (
                  <RefField
                    label={rule.rule === 'toPh' ? (rule.per === 'mLPerL' ? 'mL per litre, where no pH is set' : 'g per litre, where no pH is set') : 'How much'}
                    value={figureOf(rule)}
                    params={params}
                    onChange={(value) =>
                      set(rule.rule === 'perPortion' ? { ...rule, dose: value ?? 0 } : ruled(rule.id, rule.substance, rule.rule, value ?? 0, words))
                    }
                  />
                )}
              </>
            )}
            {rule.rule === 'perPortion' ? (
              <>
                <RefField
                  label="A portion is for, g"
                  value={rule.portionG}
                  params={params}
                  onChange={(portionG) => set({ ...rule, portionG: portionG ?? 100 })}
                />
                <Field label="Counted in">
                  {(id) => (
                    <Select
                      id={id}
                      value={rule.unit}
                      options={AMOUNT_UNITS.map((unit) => ({ value: unit, label: unit }))}
                      onChange={(unit) => set({ ...rule, unit })}
                      style={{ width: '100%' }}
                    />
                  )}
                </Field>
              </>
            ) : null}
            <div className="field">
              <Button aria-label={`Remove addition ${i + 1}`} onClick={() => onChange(additions.toSpliced(i, 1))}>
                Remove
              </Button>
            </div>
          </div>
        );
      })}
      <Button
        style={{ alignSelf: 'flex-start' }}
        onClick={() => {
          const id = `add${1 + Math.max(0, ...additions.map((rule) => Number(/^add(\d+)$/.exec(rule.id)?.[1] ?? 0)))}`;
          onChange([...additions, { id, substance: 'alum', rule: 'wofPct', pct: 5 }]);
        }}
      >
        Add something
      </Button>
    </>
  );
}
