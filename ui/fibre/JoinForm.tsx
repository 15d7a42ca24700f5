'use client';
import { Input, Modal, Select } from 'antd';
import { useState } from 'react';
import type { LotView } from '@/contract/views';
import { LOT_FORMS, printComposition } from '@/core/fibre/lot';
import { joinPassports, QUESTIONS } from '@/core/fibre/passport';
import { joinLots } from '@/core/fibre/split';
import { printMass } from '@/core/measure/print';
import { post } from '../api/http';
import { newId } from '../api/newId';
import { useSave } from '../api/useSave';
import { Field, FormProblem } from '../shell/Field';
import { figureText, TREATMENT_WORD } from './lotText';

/** Joins lots into one; what they do not share is said before it is done. */
export function JoinForm({ lots, onClose, onSaved }: { lots: readonly LotView[]; onClose: () => void; onSaved: (id: string) => void }) {
  const [id] = useState(newId);
  const [name, setName] = useState(
    lots
      .map((lot) => lot.name)
      .join(' and ')
      .slice(0, 120),
  );
  const [form, setForm] = useState(lots[0]?.form ?? 'loose');
  const { errors, saving, save } = useSave(['name']);
  const joined = joinLots(lots);
  const passport = joinPassports(lots.map((lot) => lot.passport));
  const lost = QUESTIONS.filter((question) => passport.state[question] === 'unknown' && lots.some((lot) => lot.passport.state[question] !== 'unknown'));
  const keep = () =>
    save(
      () => post('/lots/join', { id, name, form, lots: lots.map((lot) => ({ id: lot.id, revision: lot.revision })) }),
      () => {
        onSaved(id);
        onClose();
      },
    );
  return (
    <Modal
      open
      title={`Join ${lots.length} lots`}
      okText="Join them"
      cancelText="Not now"
      okButtonProps={{ disabled: saving }}
      onOk={() => void keep()}
      onCancel={onClose}
    >
      <Field label="Name" problem={errors.name}>
        <Input value={name} maxLength={120} onChange={(event) => setName(event.target.value)} />
      </Field>
      <Field label="Form">
        <Select value={form} options={LOT_FORMS.map((value) => ({ value, label: value }))} onChange={setForm} />
      </Field>
      <p>
        Together {figureText(joined.dryWeightG, printMass)} dry; {printComposition(joined.composition)}; {joined.pieces} pieces.
      </p>
      {lost.length > 0 ? (
        <p className="finding finding-caution">
          <span>
            <strong>Care</strong>: they differ in {lost.map((question) => TREATMENT_WORD[question]).join(', ')}. For the whole that will read unknown; each line
            of their past stays.
          </span>
        </p>
      ) : null}
      <FormProblem text={errors['']} />
    </Modal>
  );
}
