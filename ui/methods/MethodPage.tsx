'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { MethodView } from '@/contract/views';
import { printFigure } from '@/core/measure/print';
import { copyMethod } from '@/core/method/copy';
import { LID_WORD, type Method, usualParams } from '@/core/method/method';
import { errorText, post } from '../api/http';
import { newId } from '../api/newId';
import { type Book, useBook } from '../api/useBook';
import { useLoaded } from '../api/useLoaded';
import { STANDING_WORD } from '../plan/ParamField';
import { FailedPage, LoadingPage } from '../shell/PageState';
import { KIND_WORD, StitchPatch } from '../theme/stitches';
import { bathText, phaseTemplateText, ruleText } from './templateText';

const MethodEditor = dynamic(() => import('./MethodEditor').then((module) => module.MethodEditor));

/** One method opened: its figures with their ranges, its steps in words, and the other schools beside it. */
export function MethodPage({ methodId }: { methodId: string }) {
  const view = useLoaded<MethodView>(`/methods/${methodId}`, (message) => message.kind === 'changed' && message.what === 'method' && message.id === methodId);
  const book = useBook();
  const router = useRouter();
  const [version, setVersion] = useState<number | null>(null);
  const [editing, setEditing] = useState(false);
  const [copyId] = useState(newId);
  const [problem, setProblem] = useState<string | null>(null);
  if (view.state === 'failed') return <FailedPage why={view.why} retry={view.retry} />;
  if (book.state === 'failed') return <FailedPage why={book.why} retry={book.retry} />;
  if (view.state === 'loading' || book.state === 'loading') return <LoadingPage what="the method" />;
  const { versions, own, retired, revision } = view.value;
  const newest = versions.at(-1);
  const method = versions.find((one) => one.version === version) ?? newest;
  if (!method || !newest) return <FailedPage why="This method has no version." retry={view.reload} />;
  if (editing) {
    return (
      <MethodEditor
        method={newest}
        book={book.value}
        onClose={() => setEditing(false)}
        onSaved={() => {
          setEditing(false);
          setVersion(null);
          view.reload();
        }}
      />
    );
  }
  const copy = async () => {
    const { version: _version, ...body } = copyMethod(method, copyId);
    try {
      await post<Method>('/methods', body);
      router.push(`/methods/${copyId}`);
    } catch (error) {
      setProblem(errorText(error));
    }
  };
  const save = () => {
    const url = URL.createObjectURL(
      new Blob([`${JSON.stringify({ format: 'hyndle-method', formatVersion: 1, method }, null, 2)}\n`], { type: 'application/json' }),
    );
    const link = Object.assign(document.createElement('a'), { href: url, download: `${method.id}-v${method.version}.json` });
    link.click();
    URL.revokeObjectURL(url);
  };
  const retire = () =>
    void post(`/methods/${method.id}/retire`, { revision, retired: !retired }).then(view.reload, (error: unknown) => setProblem(errorText(error)));
  return (
    <div className="page">
      <header className="page-head">
        <StitchPatch kind={method.stage} />
        <div className="page-title">
          <h1>{method.name}</h1>
          <p className="quiet">
            {KIND_WORD[method.stage]} · {method.school}
            {own ? ` · your own, version ${method.version}` : ''}
          </p>
        </div>
        <button type="button" className="act" onClick={save}>
          Save as a file
        </button>
        {own ? (
          <button type="button" className="act" onClick={retire}>
            {retired ? 'Offer it again' : 'Put it away'}
          </button>
        ) : null}
        <button type="button" className={own ? 'act' : 'act act-strong'} onClick={() => void copy()}>
          Edit a copy
        </button>
        {own ? (
          <button type="button" className="act act-strong" onClick={() => setEditing(true)}>
            Change
          </button>
        ) : null}
      </header>
      {problem ? (
        <p className="banner banner-stop" role="alert">
          {problem}
        </p>
      ) : null}
      {retired ? <p className="banner">Put away: plans no longer offer it; sessions that used it keep it.</p> : null}
      <div className="method-columns">
        <div>
          <MethodBody method={method} book={book.value} />
          {versions.length > 1 ? (
            <section className="panel">
              <h2>Versions</h2>
              <ul className="plain">
                {versions.map((one) => (
                  <li key={one.version}>
                    <button
                      type="button"
                      className="link-button"
                      aria-current={one.version === method.version ? 'true' : undefined}
                      onClick={() => setVersion(one.version)}
                    >
                      Version {one.version}
                    </button>
                    {one.version === newest.version ? ', the newest' : ''}
                  </li>
                ))}
              </ul>
              <p className="quiet small">A session keeps the version it was planned with.</p>
            </section>
          ) : null}
        </div>
        <Schools method={method} book={book.value} />
      </div>
    </div>
  );
}

function MethodBody({ method, book }: { method: Method; book: Book }) {
  const params = usualParams(method);
  const nameOf = (id: string) => (id === 'dyestuff' ? 'the dyestuff' : book.shelf.nameOf(id));
  return (
    <>
      <section className="panel">
        <h2>Why this way</h2>
        <p>{method.why}</p>
        {method.cautions.map((caution) => (
          <p key={caution} className="finding finding-note">
            <span>
              <strong>Note</strong>: {caution}
            </span>
          </p>
        ))}
        {method.copyOf ? (
          <p className="quiet small">
            Made from <Link href={`/methods/${method.copyOf.id}`}>{book.find(method.copyOf.id)?.name ?? method.copyOf.id}</Link>, version{' '}
            {method.copyOf.version}.
          </p>
        ) : null}
      </section>
      {method.params.length > 0 ? (
        <section className="panel">
          <h2>Figures</h2>
          <table className="figures">
            <thead>
              <tr>
                <th scope="col">Figure</th>
                <th scope="col">Usual</th>
                <th scope="col">From, to</th>
                <th scope="col">How sure</th>
              </tr>
            </thead>
            <tbody>
              {method.params.map((param) => (
                <tr key={param.key}>
                  <th scope="row">{param.label}</th>
                  <td className="figure">{param.usual === null ? 'none in common use' : printFigure(param.usual, param.unit)}</td>
                  <td className="quiet">
                    {printFigure(param.min, param.unit)} to {printFigure(param.max, param.unit)}
                  </td>
                  <td className="quiet">{STANDING_WORD[param.standing] || 'common practice'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ) : null}
      {method.steps.map((step) => (
        <section key={step.key} className="panel">
          <h2>
            <StitchPatch kind={step.kind} width={14} height={20} /> {step.title}
          </h2>
          <ul className="plain">
            {step.additions.map((rule) => (
              <li key={rule.id}>
                {rule.rule === 'blocked' ? rule.words : nameOf(rule.substance)}: {ruleText(rule, params)}
              </li>
            ))}
            {bathText(step, params) ? <li>bath: {bathText(step, params)}</li> : null}
            {step.lid === 'none' ? null : <li>cover: {LID_WORD[step.lid]}</li>}
          </ul>
          <ol className="phases">
            {step.phases.map((phase, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: phases stand in a fixed order and have no name
              <li key={i}>{phaseTemplateText(phase, params)}</li>
            ))}
          </ol>
          {step.lookFor ? <p>Look for: {step.lookFor}</p> : null}
        </section>
      ))}
    </>
  );
}

/** The other schools of this stage, each with its reason. */
function Schools({ method, book }: { method: Method; book: Book }) {
  const others = book.methods.filter((other) => other.stage === method.stage && other.id !== method.id);
  if (others.length === 0) return null;
  return (
    <aside className="panel schools-aside" aria-label="Other schools">
      <h2>Other schools</h2>
      <p className="quiet small">None is wrong. The record keeps which one was used.</p>
      <ul className="plain">
        {others.map((other) => (
          <li key={other.id}>
            <Link href={`/methods/${other.id}`}>{other.name}</Link>
            <span className="quiet small"> {other.school}</span>
            <p className="small">{other.why}</p>
          </li>
        ))}
      </ul>
    </aside>
  );
}
