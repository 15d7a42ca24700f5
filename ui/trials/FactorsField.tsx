'use client';
import { Button, Input, Select } from 'antd';
import type { LotView } from '@/contract/views';
import type { Method } from '@/core/method/method';
import type { Dyestuff } from '@/core/shelf/dyestuff';
import { MOST_FACTORS, MOST_LEVELS } from '@/core/trial/trial';
import { newId } from '../api/newId';
import { FACTOR_KINDS, FACTOR_NAME, type FactorDraft, type FactorKind, FIGURE_OF, NONE, plantPicks, STAGE_OF, stepPickName } from './trialDraft';

/** All of them in sight: nobody looks for the last one under the edge of a list. */
const ALL_KINDS_PX = FACTOR_KINDS.length * 40;

export interface Choices {
  readonly methods: readonly Method[];
  readonly dyestuffs: readonly Dyestuff[];
  readonly lots: readonly LotView[];
}

interface Props {
  readonly value?: readonly FactorDraft[];
  readonly onChange?: (value: readonly FactorDraft[]) => void;
  readonly choices: Choices;
}

/** What differs, one line each: the thing, and its levels. The first level is what the others are held against. */
export function FactorsField({ value: factors = [], onChange, choices }: Props) {
  const set = (next: readonly FactorDraft[]) => onChange?.(next);
  const free = FACTOR_KINDS.filter((kind) => kind === 'other' || !factors.some((factor) => factor.kind === kind));
  return (
    <div className="stack stack-tight">
      {factors.map((factor, i) => (
        <div key={factor.id} className="line line-tight" style={{ alignItems: 'flex-start' }}>
          <Select
            value={factor.kind}
            aria-label="What differs"
            options={FACTOR_KINDS.map((kind) => ({ value: kind, label: FACTOR_NAME[kind], disabled: kind !== factor.kind && !free.includes(kind) }))}
            listHeight={ALL_KINDS_PX}
            onChange={(kind) => set(factors.with(i, { ...factor, kind, picks: STAGE_OF[kind]?.mayBeNone ? [NONE] : [] }))}
            style={{ width: 190 }}
          />
          {factor.kind === 'other' ? (
            <Input
              aria-label="Its name"
              placeholder="what it is"
              value={factor.name}
              maxLength={120}
              onChange={(event) => set(factors.with(i, { ...factor, name: event.target.value }))}
              style={{ width: 140 }}
            />
          ) : null}
          <div className="stack stack-tight" style={{ flex: '1 1 260px', minWidth: 220 }}>
            <Levels factor={factor} choices={choices} onPicks={(picks) => set(factors.with(i, { ...factor, picks }))} />
            <Plants factor={factor} choices={choices} onPlants={(plants) => set(factors.with(i, { ...factor, plants }))} />
          </div>
          <Button type="text" onClick={() => set(factors.toSpliced(i, 1))}>
            Remove
          </Button>
        </div>
      ))}
      {factors.length < MOST_FACTORS ? (
        <Button style={{ alignSelf: 'flex-start' }} onClick={() => set([...factors, { id: newId(), kind: free[0] ?? 'other', name: '', picks: [] }])}>
          {factors.length === 0 ? 'Say what differs' : 'And something more'}
        </Button>
      ) : null}
    </div>
  );
}

const PLACEHOLDER: Record<FactorKind, string> = {
  mordant: 'which mordants',
  tannin: 'which tannin',
  strength: '0.5, 1, 2',
  dyestuff: 'which plants',
  minutes: '30, 60, 90',
  modifier: 'which after-baths',
  iron: 'which iron',
  fibre: 'which lots',
  other: 'its levels: weak, strong',
};

function Levels({ factor, choices, onPicks }: { factor: FactorDraft; choices: Choices; onPicks: (picks: readonly string[]) => void }) {
  const isTyped = factor.kind === 'other' || FIGURE_OF[factor.kind] !== undefined;
  return (
    <Select
      mode={isTyped ? 'tags' : 'multiple'}
      aria-label={`Levels of ${FACTOR_NAME[factor.kind]}`}
      value={[...factor.picks]}
      maxCount={MOST_LEVELS}
      tokenSeparators={factor.kind === 'other' ? [';', ','] : isTyped ? [';', ' '] : []}
      placeholder={PLACEHOLDER[factor.kind]}
      showSearch={{ optionFilterProp: 'label' }}
      options={isTyped ? [] : optionsOf(factor, choices)}
      {...(isTyped ? { open: false, suffix: null } : {})}
      onChange={onPicks}
    />
  );
}

/** What the levels are done with whose method asks for a plant: a tannin of galls or of bark. */
function Plants({ factor, choices, onPlants }: { factor: FactorDraft; choices: Choices; onPlants: (plants: Readonly<Record<string, string>>) => void }) {
  const names = new Map(choices.methods.map(({ id, name }) => [id, name]));
  return plantPicks(factor, choices.methods).map((pick) => {
    const name = stepPickName(pick, (id) => names.get(id) ?? id);
    return (
      <Select
        key={pick}
        aria-label={`Plant for ${name}`}
        value={factor.plants?.[pick] ?? null}
        prefix={<span className="quiet">{name}, with</span>}
        placeholder="which plant"
        showSearch={{ optionFilterProp: 'label' }}
        options={choices.dyestuffs.map((one) => ({ value: one.id, label: one.name }))}
        onChange={(dyestuffId) => onPlants({ ...factor.plants, [pick]: dyestuffId })}
      />
    );
  });
}

function optionsOf({ kind, picks }: FactorDraft, { methods, dyestuffs, lots }: Choices): { value: string; label: string }[] {
  const step = STAGE_OF[kind];
  if (step) {
    const own = methods.filter(({ stage }) => stage === step.stage).map(({ id, name }) => ({ value: id, label: name }));
    const names = new Map(methods.map(({ id, name }) => [id, name]));
    // With a figure of its own: it came out of a comparison.
    const set = picks.filter((pick) => pick.includes('|')).map((pick) => ({ value: pick, label: stepPickName(pick, (id) => names.get(id) ?? id) }));
    return [...(step.mayBeNone ? [{ value: NONE, label: 'none' }] : []), ...set, ...own];
  }
  if (kind === 'dyestuff') return dyestuffs.map(({ id, name }) => ({ value: id, label: name }));
  return lots.map(({ id, name }) => ({ value: id, label: name }));
}
