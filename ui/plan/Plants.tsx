'use client';
import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { type TriedHere, triedText } from '@/core/fibre/tried';
import type { Method } from '@/core/method/method';
import type { ChainItem } from '@/core/plan/draft';
import { CHEMISTRY_WORD, type Dyestuff, MORDANT_WORD, PLANT_FORMS } from '@/core/shelf/dyestuff';
import { NO_DETAIL, PLANT_SOURCES, type PlantDetail, PREPARATIONS, plantWords } from '@/core/shelf/plantDetail';
import { useFastness } from '../fastness/useFastness';
import { Field } from '../form/Field';
import { Trade } from '../shell/Help';
import { plantsOf, withoutPlant, withPlant } from './draft';

interface Props {
  readonly item: ChainItem;
  readonly dyestuffs: readonly Dyestuff[];
  readonly tried: TriedHere;
  /** The method such a plant is usually extracted by, where another stands here. */
  readonly betterBy: (stuff: Dyestuff) => Method | null;
  readonly onMethod: (method: Method) => void;
  readonly onChange: (change: Partial<ChainItem>) => void;
}

/** What goes into the bath, jar, bundle or print: one plant or several, each with what it was like. */
export function Plants({ item, dyestuffs, tried, betterBy, onMethod, onChange }: Props) {
  const plants = plantsOf(item);
  const fastness = useFastness();
  const options = dyestuffs.map((one) => ({
    value: one.id,
    label: one.part ? `${one.name} (${one.part})` : one.name,
    words: `${one.name} ${one.part} ${one.botanical ?? ''}`,
  }));
  const search = { optionFilterProp: 'words' };
  const choose = (id: string, dyestuffId: string) => {
    if (id === plants[0]?.id) return onChange({ dyestuffId, params: {} });
    return onChange({ morePlants: (item.morePlants ?? []).map((plant) => (plant.id === id ? { ...plant, dyestuffId } : plant)) });
  };
  return (
    <div className="stack stack-tight">
      {plants.map((plant, i) => {
        const stuff = dyestuffs.find((one) => one.id === plant.dyestuffId);
        const better = stuff ? betterBy(stuff) : null;
        return (
          <div key={plant.id} className="stack stack-tight">
            <Field
              label={i === 0 ? 'Dyestuff' : `Plant ${i + 1}`}
              hint={
                stuff ? (
                  <Trade>
                    {`${stuff.botanical ? `${stuff.botanical}; ` : ''}${MORDANT_WORD[stuff.mordant]}; ${CHEMISTRY_WORD[stuff.chemistry]}; heat: ${stuff.heat.text}. ${triedText(tried.substances.get(stuff.name))}${fastness(stuff) ? ` Light and washing: ${fastness(stuff)}.` : ''}`}
                  </Trade>
                ) : null
              }
            >
              {(id) => (
                <Select
                  id={id}
                  value={plant.dyestuffId}
                  placeholder="Choose what to dye with"
                  showSearch={search}
                  options={options}
                  onChange={(dyestuffId: string) => choose(plant.id, dyestuffId)}
                  style={{ width: '100%' }}
                />
              )}
            </Field>
            {better ? (
              <Button size="small" style={{ alignSelf: 'flex-start' }} onClick={() => onMethod(better)}>
                As it is usually done: {better.name}
              </Button>
            ) : null}
            {stuff ? (
              <Detail
                name={stuff.name}
                detail={item.plantDetails?.[plant.id] ?? NO_DETAIL}
                onChange={(detail) => onChange({ plantDetails: { ...item.plantDetails, [plant.id]: detail } })}
                {...(plants.length > 1 ? { onLeaveOut: () => onChange(withoutPlant(item, plant.id)) } : {})}
              />
            ) : null}
          </div>
        );
      })}
      {item.dyestuffId === null ? null : (
        <Select
          aria-label="Add another plant"
          value={null}
          placeholder="Another plant in the same bath"
          showSearch={search}
          options={options.filter((one) => !plants.some((plant) => plant.dyestuffId === one.value))}
          onChange={(dyestuffId: string | null) => dyestuffId && onChange(withPlant(item, dyestuffId))}
          style={{ width: '100%' }}
        />
      )}
    </div>
  );
}

interface DetailProps {
  readonly name: string;
  readonly detail: PlantDetail;
  readonly onChange: (detail: PlantDetail) => void;
  readonly onLeaveOut?: () => void;
}

/** Form, preparation, source and season: folded until somebody wants to say. */
function Detail({ name, detail, onChange, onLeaveOut }: DetailProps) {
  const [open, setOpen] = useState(false);
  const words = plantWords(detail);
  const choice = <K extends 'form' | 'preparation' | 'source'>(key: K, label: string, values: readonly Exclude<PlantDetail[K], null>[]) => (
    <Field label={label}>
      {(id) => (
        <Select
          id={id}
          size="small"
          allowClear
          value={detail[key]}
          placeholder="not said"
          options={values.map((value) => ({ value, label: String(value) }))}
          onChange={(value) => onChange({ ...detail, [key]: value ?? null })}
          style={{ width: '100%' }}
        />
      )}
    </Field>
  );
  return (
    <>
      <div className="line line-tight">
        {words ? <span className="quiet small">{words}</span> : null}
        <Button type="link" size="small" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'That is all' : `What the ${name} is like`}
        </Button>
        {onLeaveOut ? (
          <Button type="link" size="small" aria-label={`Leave ${name} out`} onClick={onLeaveOut}>
            Leave it out
          </Button>
        ) : null}
      </div>
      {open ? (
        <div className="fields">
          {choice('form', 'Form', PLANT_FORMS)}
          {choice('preparation', 'Prepared', PREPARATIONS)}
          {choice('source', 'Come by', PLANT_SOURCES)}
          <Field label="Gathered">
            {(id) => (
              <Input
                id={id}
                size="small"
                maxLength={60}
                value={detail.season}
                placeholder="late July"
                onChange={(event) => onChange({ ...detail, season: event.target.value })}
              />
            )}
          </Field>
        </div>
      ) : null}
    </>
  );
}
