'use client';
import { Form, Input, Select } from 'antd';
import { useState } from 'react';
import { joinInput } from '@/contract/schemas';
import type { LotView } from '@/contract/views';
import { LOT_FORMS, type LotForm, printComposition } from '@/core/fibre/lot';
import { joinPassports, QUESTIONS } from '@/core/fibre/passport';
import { joinLots } from '@/core/fibre/split';
import { figureText } from '@/core/figure';
import { post } from '../api/http';
import { newId } from '../api/newId';
import { FormSheet } from '../form/FormSheet';
import { Caution } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { TREATMENT_WORD } from './lotText';

interface Values {
  readonly name: string;
  readonly form: LotForm;
}

/** Joins lots into one; what they do not share is said before it is done. */
export function JoinForm({ lots, onClose, onSaved }: { lots: readonly LotView[]; onClose: () => void; onSaved: (id: string) => void }) {
  const print = usePrint();
  const [id] = useState(newId);
  const joined = joinLots(lots);
  const passport = joinPassports(lots.map((lot) => lot.passport));
  const lost = QUESTIONS.filter((question) => passport.state[question] === 'unknown' && lots.some((lot) => lot.passport.state[question] !== 'unknown'));
  const first: Values = {
    name: lots
      .map((lot) => lot.name)
      .join(' and ')
      .slice(0, 120),
    form: lots[0]?.form ?? 'loose',
  };
  return (
    <FormSheet<Values>
      name={`join-${lots.map((lot) => lot.id).join('-')}`.slice(0, 200)}
      title={`Join ${lots.length} lots`}
      okText="Join them"
      first={first}
      body={({ name, form }) => ({ id, name, form, lots: lots.map((lot) => ({ id: lot.id, revision: lot.revision })) })}
      schema={joinInput}
      send={(body) => post('/lots/join', body)}
      onDone={() => onSaved(id)}
      onClose={onClose}
    >
      {() => (
        <>
          <Form.Item name="name" label="Name">
            <Input maxLength={120} />
          </Form.Item>
          <Form.Item name="form" label="Form">
            <Select options={LOT_FORMS.map((value) => ({ value, label: value }))} />
          </Form.Item>
          <p>
            Together {figureText(joined.dryWeightG, print.mass)} dry; {printComposition(joined.composition)}; {joined.pieces} pieces.
          </p>
          {lost.length > 0 ? (
            <Caution
              severity="caution"
              text={`they differ in ${lost.map((question) => TREATMENT_WORD[question]).join(', ')}. For the whole that will read unknown; each line of their past stays.`}
            />
          ) : null}
        </>
      )}
    </FormSheet>
  );
}
