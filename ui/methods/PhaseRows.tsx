'use client';
import { Button, Input, Select } from 'antd';
import type { Param, PhaseTemplate, Ref } from '@/core/method/method';
import { unreachable } from '@/core/result';
import { Field } from '../form/Field';
import { RefField } from './RefField';

const KINDS: readonly { value: PhaseTemplate['kind']; label: string }[] = [
  { value: 'charge', label: 'hands: set up' },
  { value: 'raise', label: 'heat up' },
  { value: 'hold', label: 'hold in a band' },
  { value: 'dip', label: 'dip, exactly' },
  { value: 'soak', label: 'soak' },
  { value: 'until', label: 'wait until it looks right' },
  { value: 'rest', label: 'rest, heat off' },
  { value: 'lift', label: 'hands: lift' },
];
const exactly = (ref: Ref) => ({ min: ref, typical: ref, max: ref });

function blank(kind: PhaseTemplate['kind']): PhaseTemplate {
  switch (kind) {
    case 'charge':
    case 'lift':
      return { kind, minutes: 10, act: kind === 'lift' ? 'Lift, squeeze' : 'Set it up' };
    case 'raise':
      return { kind, toC: 70, maxRateCPerMin: 1 };
    case 'hold':
      return { kind, lowC: 70, highC: 80, ceilingC: null, minutes: exactly(60), stirEveryMin: 10, flipAtMin: null };
    case 'dip':
      return { kind, exactMin: 3, act: 'Goods in, watch the clock' };
    case 'soak':
      return { kind, minutes: { min: 30, typical: 60, max: 1440 }, checkEveryMin: null };
    case 'until':
      return { kind, minutes: { min: 60, typical: 1440, max: 10_080 }, checkEveryMin: 1440, criterion: 'as deep as wanted' };
    case 'rest':
      return { kind, minutes: { min: 480, typical: 600, max: 960 }, overnightOk: true };
    default:
      return unreachable(kind);
  }
}

interface Props {
  readonly phases: readonly PhaseTemplate[];
  readonly params: readonly Param[];
  readonly onChange: (phases: readonly PhaseTemplate[]) => void;
}

/** The parts of a step in their order, each with its own figures. */
export function PhaseRows({ phases, params, onChange }: Props) {
  return (
    <>
      <ol className="stack">
        {phases.map((phase, i) => {
          const set = (next: PhaseTemplate) => onChange(phases.with(i, next));
          const move = (to: number) => onChange(phases.toSpliced(i, 1).toSpliced(to, 0, phase));
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: phases have no name of their own
            <li key={i} className="panel">
              <div className="fields">
                <Field label={`Part ${i + 1}`}>
                  {(id) => (
                    <Select
                      id={id}
                      value={phase.kind}
                      options={[...KINDS]}
                      popupMatchSelectWidth={false}
                      onChange={(kind) => set(blank(kind))}
                      style={{ width: '100%' }}
                    />
                  )}
                </Field>
                <PhaseFields phase={phase} params={params} onChange={set} />
              </div>
              <div className="line line-tight">
                <Button size="small" aria-label={`Part ${i + 1} earlier`} disabled={i === 0} onClick={() => move(i - 1)}>
                  Earlier
                </Button>
                <Button size="small" aria-label={`Remove part ${i + 1}`} disabled={phases.length === 1} onClick={() => onChange(phases.toSpliced(i, 1))}>
                  Remove
                </Button>
              </div>
            </li>
          );
        })}
      </ol>
      <Button style={{ alignSelf: 'flex-start' }} onClick={() => onChange([...phases, blank('lift')])}>
        Add a part
      </Button>
    </>
  );
}

function PhaseFields({ phase, params, onChange }: { phase: PhaseTemplate; params: readonly Param[]; onChange: (phase: PhaseTemplate) => void }) {
  const ref = (label: string, value: Ref | null, set: (value: Ref | null) => void, optional = false) => (
    <RefField label={label} value={value} params={params} optional={optional} onChange={set} />
  );
  const act = (text: string, set: (text: string) => void) => (
    <Field label="What to do">{(id) => <Input id={id} value={text} maxLength={400} onChange={(event) => set(event.target.value)} />}</Field>
  );
  switch (phase.kind) {
    case 'charge':
    case 'lift':
      return (
        <>
          {act(phase.act, (text) => onChange({ ...phase, act: text }))}
          {ref('min', phase.minutes, (minutes) => onChange({ ...phase, minutes: minutes ?? 10 }))}
        </>
      );
    case 'raise':
      return (
        <>
          {ref('to °C', phase.toC, (toC) => onChange({ ...phase, toC: toC ?? 70 }))}
          {ref('at most °C/min', phase.maxRateCPerMin, (maxRateCPerMin) => onChange({ ...phase, maxRateCPerMin }), true)}
        </>
      );
    case 'hold':
      return (
        <>
          {ref('from °C', phase.lowC, (lowC) => onChange({ ...phase, lowC }), true)}
          {ref('to °C', phase.highC, (highC) => onChange({ ...phase, highC }), true)}
          {ref('never above °C', phase.ceilingC, (ceilingC) => onChange({ ...phase, ceilingC }), true)}
          {ref('min', phase.minutes.typical, (value) => onChange({ ...phase, minutes: exactly(value ?? 60) }))}
          {ref('stir every min', phase.stirEveryMin, (stirEveryMin) => onChange({ ...phase, stirEveryMin }), true)}
          {ref('turn at min', phase.flipAtMin, (flipAtMin) => onChange({ ...phase, flipAtMin }), true)}
        </>
      );
    case 'dip':
      return (
        <>
          {act(phase.act, (text) => onChange({ ...phase, act: text }))}
          {ref('min, exactly', phase.exactMin, (exactMin) => onChange({ ...phase, exactMin: exactMin ?? 3 }))}
        </>
      );
    case 'soak':
      return (
        <>
          {ref('about min', phase.minutes.typical, (value) => onChange({ ...phase, minutes: { ...phase.minutes, typical: value ?? 60 } }))}
          {ref('look every min', phase.checkEveryMin, (checkEveryMin) => onChange({ ...phase, checkEveryMin }), true)}
        </>
      );
    case 'until':
      return (
        <>
          {act(phase.criterion, (criterion) => onChange({ ...phase, criterion }))}
          {ref('about min', phase.minutes.typical, (value) => onChange({ ...phase, minutes: { ...phase.minutes, typical: value ?? 1440 } }))}
          {ref('look every min', phase.checkEveryMin, (checkEveryMin) => onChange({ ...phase, checkEveryMin: checkEveryMin ?? 1440 }))}
        </>
      );
    case 'rest':
      return ref('about min', phase.minutes.typical, (value) => onChange({ ...phase, minutes: { ...phase.minutes, typical: value ?? 600 } }));
    default:
      return unreachable(phase);
  }
}
