'use client';
import { Button, Form, Modal } from 'antd';
import { type ReactNode, useEffect, useState } from 'react';
import type { z } from 'zod';
import { issuesOf } from '@/contract/plainIssue';
import { faultsByField } from '../api/faults';
import { errorText, Refused } from '../api/http';
import { Notice } from '../shell/Notice';
import { forgetTyped, keepTyped, typedBefore } from './keptTyped';
import { faultsOf } from './validated';

interface Props<V extends object> {
  /** What the form is of, such as "lot-new": what is typed into it is kept under this name until it is stored. */
  readonly name: string;
  readonly title: string;
  readonly okText?: string;
  readonly width?: number;
  readonly first: V;
  /** What is sent, from what is typed. */
  readonly body: (values: V) => unknown;
  /** The contract's schema for it: the form's rule. */
  readonly schema: z.ZodType;
  /** By place in what is sent: the field that shows its faults, where the two have different names. */
  readonly places?: Readonly<Record<string, string>>;
  /** @param values as they stand in the form, for what is not sent */
  readonly send: (body: unknown, values: V) => Promise<unknown>;
  /** Other ends of the form, such as putting the thing away. */
  readonly ends?: ReactNode;
  readonly onDone: () => void;
  readonly onClose: () => void;
  /** @param set puts values into other fields */
  readonly children: (values: V, set: (some: Partial<V>) => void) => ReactNode;
}

type Faults = readonly { readonly at: string; readonly message: string }[];

/**
 * The one way of all forms: held to the contract before it is sent, faults under their fields, and nothing typed is ever
 * lost: closed, reloaded or refused, it is there again.
 */
export function FormSheet<V extends object>(props: Props<V>) {
  const { name, title, okText = 'Keep', width = 560, first, schema, body, places = {}, send, ends, onDone, onClose, children } = props;
  const [form] = Form.useForm();
  const [before] = useState(() => typedBefore<V>(name));
  const [initial, setInitial] = useState<V>(before ?? first);
  const [again, setAgain] = useState(before !== null);
  // Before the fields have told of themselves, the form is as it began.
  const values: V = { ...initial, ...(Form.useWatch([], { form, preserve: true }) as V | undefined) };
  const [general, setGeneral] = useState<string | null>(null);
  /** Faults of fields, said aloud once: they are shown under their fields. */
  const [told, setTold] = useState('');
  const [sending, setSending] = useState(false);
  const typed = JSON.stringify(values);
  const untouched = JSON.stringify(first);
  useEffect(() => {
    if (typed === untouched) forgetTyped(name);
    else keepTyped(name, typed);
  }, [name, typed, untouched]);

  const say = (faults: Faults) => {
    const fields = form.getFieldsError().map((field) => field.name.join('.'));
    const by = faultsByField(
      faults.map((fault) => ({ ...fault, at: placed(fault.at, places) })),
      fields,
    );
    form.setFields(fields.map((field) => ({ name: nameOf(field), errors: by[field] ? [by[field]] : [] })));
    setGeneral(by[''] ?? null);
    setTold(fields.flatMap((field) => by[field] ?? []).join(' '));
    const firstFault = fields.find((field) => by[field]);
    if (firstFault) form.scrollToField(nameOf(firstFault), { block: 'center' });
  };
  const keep = async () => {
    if (sending) return;
    setGeneral(null);
    setTold('');
    const faults = await faultsOf(() => form.validateFields());
    if (faults !== null) return setTold(faults);
    const typedNow = form.getFieldsValue(true) as V;
    const sent = body(typedNow);
    const checked = schema.safeParse(sent);
    if (!checked.success) return say(issuesOf(checked.error));
    setSending(true);
    try {
      await send(sent, typedNow);
      forgetTyped(name);
      onDone();
    } catch (error) {
      if (error instanceof Refused && error.problem.errors.length > 0) say(error.problem.errors);
      else setGeneral(errorText(error));
    } finally {
      setSending(false);
    }
  };
  const anew = () => {
    setInitial(first);
    form.setFieldsValue(first);
    setAgain(false);
    setGeneral(null);
  };
  return (
    <Modal
      open
      title={title}
      width={width}
      okText={okText}
      cancelText="Not now"
      okButtonProps={{ loading: sending }}
      mask={{ closable: false }}
      style={{ top: 24 }}
      // The fields scroll, what ends the form stays in sight: on a phone too.
      styles={{ body: { maxHeight: 'calc(100dvh - 190px)', overflowY: 'auto', overflowX: 'hidden' } }}
      onOk={() => void keep()}
      onCancel={onClose}
      footer={(buttons) => (
        <div className="line line-tight">
          {ends}
          <span style={{ flex: 1 }} />
          {buttons}
        </div>
      )}
    >
      {again ? (
        <Notice
          acts={
            <Button size="small" onClick={anew}>
              Begin anew
            </Button>
          }
        >
          What you typed before is here again.
        </Notice>
      ) : null}
      <Form
        form={form}
        name={name}
        layout="vertical"
        requiredMark={false}
        initialValues={initial}
        preserve
        onFinish={() => void keep()}
        onFinishFailed={({ errorFields }) => errorFields.length === 0 && void keep()}
      >
        {children(values, form.setFieldsValue)}
        <button type="submit" hidden aria-hidden="true" tabIndex={-1} />
      </Form>
      {told ? (
        <p className="unseen" role="alert">
          {told}
        </p>
      ) : null}
      {general ? <Notice kind="fault">{general}</Notice> : null}
    </Modal>
  );
}

const nameOf = (field: string): (string | number)[] => field.split('.').map((part) => (/^\d+$/.test(part) ? Number(part) : part));

function placed(at: string, places: Readonly<Record<string, string>>): string {
  const place = Object.keys(places).find((key) => at === key || at.startsWith(`${key}.`));
  return place === undefined ? at : (places[place] ?? at);
}
