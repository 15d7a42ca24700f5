'use client';
import { Descriptions, Flex, Skeleton, Typography } from 'antd';
import { examplesIn, type Operation } from '@/contract/operations';
import { useLoaded } from '../api/useLoaded';
import { Notice } from '../shell/Notice';

/** One thing that can be asked for: what to say, what comes back, what may be refused. */
export function OperationBody({ operation }: { operation: Operation }) {
  const document = useLoaded<object>('/openapi.json');
  const { about, parameters, takes, gives, refusals } = operation;
  return (
    <div className="stack">
      {about ? <p>{about}</p> : null}
      <Descriptions
        size="small"
        column={1}
        items={[
          ...parameters.map(({ name, isInPath, says }) => ({
            key: name,
            label: <code>{name}</code>,
            children: [isInPath ? 'in the address' : 'if you like, after a question mark', says].filter(Boolean).join(': '),
          })),
          ...(takes ? [{ key: 'takes', label: 'Send', children: takes }] : []),
          { key: 'gives', label: 'You get', children: gives ?? 'nothing' },
        ]}
      />
      {document.state === 'loading' ? <Skeleton active title={false} paragraph={{ rows: 3 }} /> : null}
      {document.state === 'failed' ? <Notice kind="fault">{document.why}</Notice> : null}
      {document.state === 'ready' ? <Examples document={document.value} operation={operation} /> : null}
      <Descriptions
        size="small"
        column={1}
        title="What may be refused"
        items={refusals.map(({ status, says }) => ({ key: status, label: <code>{status}</code>, children: says }))}
      />
    </div>
  );
}

function Examples({ document, operation }: { document: object; operation: Operation }) {
  const { sent, answered } = examplesIn(document, operation);
  return (
    <Flex gap="middle" wrap>
      {sent ? <Shown title="Sent, for instance" text={sent} /> : null}
      {answered ? <Shown title="Answered" text={answered} /> : null}
    </Flex>
  );
}

const Shown = ({ title, text }: { title: string; text: string }) => (
  <div style={{ flex: '1 1 22rem', minWidth: 0 }}>
    <p className="quiet small">{title}</p>
    {/* A long one is scrolled, by keys too. */}
    {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by keys */}
    <section tabIndex={0} aria-label={title} style={{ maxHeight: '22rem', overflow: 'auto' }}>
      <Typography>
        <pre>{text}</pre>
      </Typography>
    </section>
  </div>
);
