'use client';
import { Button, Form, Input } from 'antd';
import { useEffect, useState } from 'react';
import { joinInput } from '@/contract/doors';
import { issuesOf } from '@/contract/plainIssue';
import type { ProblemView } from '@/contract/views';
import { LONG_DIGITS } from '@/core/doors/joining';
import { LinkButton } from '../shell/LinkButton';
import { Notice } from '../shell/Notice';
import { Page, Panel } from '../shell/Page';

interface Props {
  readonly isIn: boolean;
  /** It was in, and was put out or has left. */
  readonly isOut: boolean;
  readonly isSecure: boolean;
  /** The same place over https; null where there is none. */
  readonly secureUrl: string | null;
}
interface Typed {
  readonly digits: string;
  readonly name: string;
}

/** Where a device of the home joins: six digits and a name. */
export function JoinPage({ isIn, isOut, isSecure, secureUrl }: Props) {
  return (
    <Page title="Join Hyndle">
      {isOut && !isIn ? <Notice>This device is not in any more. What it had still to send is kept in it, and goes out once it has joined again.</Notice> : null}
      {isIn ? (
        <Panel>
          <p>This device is in.</p>
          <LinkButton type="primary" href="/">
            To what is on now
          </LinkButton>
        </Panel>
      ) : (
        <JoinForm />
      )}
      {isSecure ? null : (
        <Panel title="This way in is not private">
          <p>
            Others in the same network can read along. Camera, a screen that stays awake, notifications and work without a connection are given by browsers to
            private ways only.
          </p>
          <div className="line">
            <LinkButton href="/join/trust">Make it private</LinkButton>
            {secureUrl ? <Button href={`${secureUrl}/join`}>Go the private way</Button> : null}
          </div>
        </Panel>
      )}
    </Page>
  );
}

function JoinForm() {
  const [form] = Form.useForm<Typed>();
  const [sending, setSending] = useState(false);
  const [general, setGeneral] = useState<string | null>(null);
  useEffect(() => {
    if (!form.getFieldValue('name')) form.setFieldValue('name', nameOfDevice(navigator.userAgent));
  }, [form]);
  const say = (errors: ProblemView['errors']) => form.setFields(errors.map(({ at, message }) => ({ name: at as keyof Typed, errors: [message] })));
  const join = async () => {
    const typed = form.getFieldsValue();
    const checked = joinInput.safeParse({ digits: typed.digits ?? '', name: typed.name ?? '' });
    setGeneral(null);
    form.setFields([
      { name: 'digits', errors: [] },
      { name: 'name', errors: [] },
    ]);
    if (!checked.success) return say(issuesOf(checked.error));
    setSending(true);
    try {
      const response = await fetch('/join/enter', { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(checked.data) });
      if (response.ok) return window.location.assign('/');
      const problem = (await response.json()) as ProblemView;
      if (problem.errors.length > 0) say(problem.errors);
      else setGeneral(problem.detail);
    } catch {
      setGeneral('Hyndle does not answer. Is it still running, and this device still in the same network?');
    }
    setSending(false);
  };
  return (
    <Panel>
      <Form form={form} layout="vertical" requiredMark={false} onFinish={() => void join()}>
        <Form.Item name="digits" label="Joining code" extra="Six digits, shown on the main computer: Shelf, Home, Let a device in">
          <Input className="figure" size="large" inputMode="numeric" autoComplete="one-time-code" maxLength={LONG_DIGITS + 4} />
        </Form.Item>
        <Form.Item name="name" label="What this device is called in the log">
          <Input maxLength={120} autoComplete="off" />
        </Form.Item>
        {general ? <Notice kind="fault">{general}</Notice> : null}
        <Button type="primary" size="large" htmlType="submit" loading={sending} block style={{ marginTop: 14 }}>
          Join
        </Button>
      </Form>
    </Panel>
  );
}

const nameOfDevice = (userAgent: string): string =>
  /tablet|ipad/i.test(userAgent) ? 'Tablet' : /mobi|phone|android/i.test(userAgent) ? 'Phone' : 'Other computer';
