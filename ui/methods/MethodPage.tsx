'use client';
import { Button, Segmented, Table } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { MethodView } from '@/contract/views';
import { triedText } from '@/core/fibre/tried';
import { printFigure } from '@/core/measure/print';
import { copyMethod } from '@/core/method/copy';
import { LID_WORD, type Method, type Param, usualParams } from '@/core/method/method';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { type Book, useBook } from '../api/useBook';
import { useLoaded } from '../api/useLoaded';
import { useTried } from '../api/useTried';
import { STANDING_WORD } from '../plan/ParamField';
import { FailedPage } from '../shell/FailedPage';
import { Caution } from '../shell/Findings';
import { usePrint } from '../shell/facts';
import { Trade } from '../shell/Help';
import { LoadingPage } from '../shell/LoadingPage';
import { later } from '../shell/later';
import { Notice } from '../shell/Notice';
import { Page, Panel } from '../shell/Page';
import { KIND_WORD, StitchPatch } from '../theme/stitches';
import { bathText, phAimWords, phaseTemplateText, ruleText } from './templateText';

const MethodEditor = later(() => import('./MethodEditor').then((module) => module.MethodEditor));

/** One method opened: its figures with their ranges, its steps in words, and the other schools beside it. */
export function MethodPage({ methodId }: { methodId: string }) {
  const view = useLoaded<MethodView>(`/methods/${methodId}`);
  const book = useBook();
  if (view.state === 'failed') return <FailedPage title="The method" why={view.why} retry={view.retry} />;
  if (book.state === 'failed') return <FailedPage title="The method" why={book.why} retry={book.retry} />;
  if (view.state === 'loading' || book.state === 'loading') return <LoadingPage title="The method" shape="panels" />;
  return <Opened view={view.value} book={book.value} />;
}

function saveAsFile(method: Method): void {
  const text = `${JSON.stringify({ format: 'hyndle-method', formatVersion: 1, method }, null, 2)}\n`;
  const url = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  Object.assign(document.createElement('a'), { href: url, download: `${method.id}-v${method.version}.json` }).click();
  URL.revokeObjectURL(url);
}

function Opened({ view, book }: { view: MethodView; book: Book }) {
  const router = useRouter();
  const [version, setVersion] = useState<number | null>(null);
  const [editing, setEditing] = useState(false);
  const [copyId] = useState(newId);
  const [problem, setProblem] = useState<string | null>(null);
  const { versions, own, retired, revision } = view;
  const newest = versions.at(-1);
  const method = versions.find((one) => one.version === version) ?? newest;
  if (!method || !newest) return <Page title="The method">This method has no version.</Page>;
  const done = () => {
    setEditing(false);
    setVersion(null);
  };
  if (editing) return <MethodEditor method={newest} book={book} onClose={() => setEditing(false)} onSaved={done} />;
  const copy = async () => {
    const { version: _version, ...body } = copyMethod(method, copyId);
    try {
      await post<Method>('/methods', body);
      router.push(`/methods/${copyId}`);
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  const retire = () =>
    void post(`/methods/${method.id}/retire`, { revision, retired: !retired }).then(
      () => setProblem(null),
      (error: unknown) => setProblem(errorText(error)),
    );
  return (
    <Page
      title={method.name}
      mark={<StitchPatch kind={method.stage} />}
      under={
        <span>
          {KIND_WORD[method.stage]} · {method.school}
          {own ? ` · your own, version ${method.version}` : ''}
        </span>
      }
      acts={
        <>
          <Button onClick={() => saveAsFile(method)}>Save as a file</Button>
          {own ? <Button onClick={retire}>{retired ? 'Offer it again' : 'Put it away'}</Button> : null}
          <Button type={own ? 'default' : 'primary'} onClick={() => void copy()}>
            Edit a copy
          </Button>
          {own ? (
            <Button type="primary" onClick={() => setEditing(true)}>
              Change
            </Button>
          ) : null}
        </>
      }
    >
      {problem ? <Notice kind="fault">{problem}</Notice> : null}
      {retired ? <Notice>Put away: plans no longer offer it; sessions that used it keep it.</Notice> : null}
      <div className="beside">
        <div className="stack">
          {versions.length > 1 ? (
            <Panel title="Versions">
              <Segmented
                aria-label="Version"
                style={{ alignSelf: 'flex-start' }}
                value={method.version}
                options={versions.map((one) => ({
                  value: one.version,
                  label: `Version ${one.version}${one.version === newest.version ? ', the newest' : ''}`,
                }))}
                onChange={setVersion}
              />
              <p className="quiet small">A session keeps the version it was planned with.</p>
            </Panel>
          ) : null}
          <MethodBody method={method} book={book} />
        </div>
        <Schools method={method} book={book} />
      </div>
    </Page>
  );
}

function MethodBody({ method, book }: { method: Method; book: Book }) {
  const tried = useTried();
  const print = usePrint();
  const params = usualParams(method);
  const nameOf = (id: string) => (id === 'dyestuff' ? 'the dyestuff' : book.shelf.nameOf(id));
  const figure = (value: number, { unit }: Param) => (unit === '°C' ? print.temperature(value) : printFigure(value, unit));
  return (
    <>
      <Panel title="Why this way">
        <p>
          <Trade>{method.why}</Trade>
        </p>
        <p>{triedText(tried.methods.get(method.id))}</p>
        {method.cautions.map((caution) => (
          <Caution key={caution} severity="note" text={caution} />
        ))}
        {method.copyOf ? (
          <p className="quiet small">
            Made from <Link href={`/methods/${method.copyOf.id}`}>{book.find(method.copyOf.id)?.name ?? method.copyOf.id}</Link>, version{' '}
            {method.copyOf.version}.
          </p>
        ) : null}
      </Panel>
      {method.params.length > 0 ? (
        <Panel title="Figures">
          <div className="frame figures">
            <Table
              size="small"
              pagination={false}
              rowKey="key"
              dataSource={[...method.params]}
              columns={[
                { title: 'Figure', dataIndex: 'label', rowScope: 'row' },
                {
                  title: 'Usual',
                  key: 'usual',
                  render: (_, param) => <span className="figure">{param.usual === null ? 'none in common use' : figure(param.usual, param)}</span>,
                },
                { title: 'From, to', key: 'range', render: (_, param) => `${figure(param.min, param)} to ${figure(param.max, param)}` },
                { title: 'How sure', key: 'sure', render: (_, param) => STANDING_WORD[param.standing] || 'common practice' },
              ]}
            />
          </div>
        </Panel>
      ) : null}
      {method.steps.map((step) => (
        <Panel
          key={step.key}
          title={
            <>
              <StitchPatch kind={step.kind} width={14} height={20} /> {step.title}
            </>
          }
        >
          <ul>
            {step.additions.map((rule) => (
              <li key={rule.id}>
                {rule.rule === 'blocked' ? rule.words : nameOf(rule.substance)}: {ruleText(rule, params)}
              </li>
            ))}
            {bathText(step, params) ? <li>bath: {bathText(step, params)}</li> : null}
            {step.lid === 'none' ? null : <li>cover: {LID_WORD[step.lid]}</li>}
          </ul>
          <ol>
            {step.phases.map((phase, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: phases stand in a fixed order and have no name
              <li key={i}>
                <span className="figure quiet">{i + 1}</span> {print.says(phaseTemplateText(phase, params))}
              </li>
            ))}
          </ol>
          {step.phAim ? <p>pH: {phAimWords(step.phAim, params)}</p> : null}
          {step.lookFor ? <p>Look for: {step.lookFor}</p> : null}
        </Panel>
      ))}
    </>
  );
}

/** The other schools of this stage, each with its reason. */
function Schools({ method, book }: { method: Method; book: Book }) {
  const others = book.methods.filter((other) => other.stage === method.stage && other.id !== method.id);
  if (others.length === 0) return null;
  return (
    <Panel title="Other schools" label="Other schools">
      <p className="quiet small">None is wrong. The record keeps which one was used.</p>
      <ul className="stack">
        {others.map((other) => (
          <li key={other.id}>
            <Link href={`/methods/${other.id}`}>{other.name}</Link>
            <span className="quiet small"> {other.school}</span>
            <p className="small">{other.why}</p>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
