'use client';
import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { type Method, STAGES } from '@/core/method/method';
import { useLoaded } from '../api/useLoaded';
import { EmptyPlace, FailedPage, LoadingPage } from '../shell/PageState';
import { KIND_WORD, StitchPatch } from '../theme/stitches';

const ImportForm = dynamic(() => import('./ImportForm').then((module) => module.ImportForm));

/** The library by stage in working order; where practice differs the schools stand side by side. */
export function MethodsPage() {
  const methods = useLoaded<Method[]>('/methods', (message) => message.kind === 'changed' && message.what === 'method');
  const [text, setText] = useState('');
  const [importing, setImporting] = useState(false);
  const all = methods.state === 'ready' ? methods.value : null;
  const stages = useMemo(() => {
    const wanted = text.trim().toLowerCase();
    const found = (all ?? []).filter((method) => `${method.name} ${method.school} ${method.why}`.toLowerCase().includes(wanted));
    return STAGES.map((stage) => ({ stage, methods: found.filter((method) => method.stage === stage) })).filter((group) => group.methods.length > 0);
  }, [all, text]);
  if (methods.state === 'loading') return <LoadingPage what="the methods" />;
  if (methods.state === 'failed') return <FailedPage why={methods.why} retry={methods.retry} />;
  return (
    <div className="page">
      <header className="page-head">
        <div className="page-title">
          <h1>Methods</h1>
          <p className="quiet">In working order. Figures are common practice, with no published source, unless they say otherwise.</p>
        </div>
        <input
          type="search"
          className="search"
          aria-label="Find a method"
          placeholder="Find a method"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <button type="button" className="act" onClick={() => setImporting(true)}>
          Take a file in
        </button>
      </header>
      {stages.length === 0 ? <EmptyPlace>No method is called “{text}”.</EmptyPlace> : null}
      {stages.map((group) => (
        <section key={group.stage} className="stage" aria-labelledby={`stage-${group.stage}`}>
          <h2 id={`stage-${group.stage}`}>
            <StitchPatch kind={group.stage} width={16} height={22} /> {KIND_WORD[group.stage]}
          </h2>
          <ul className="schools">
            {group.methods.map((method) => (
              <li key={method.id}>
                <Link href={`/methods/${method.id}`} className="school-card">
                  <strong>{method.name}</strong>
                  <span className="quiet small">
                    {method.school}
                    {method.copyOf ? ' · your own' : ''}
                  </span>
                  <span className="school-why">{method.why}</span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      ))}
      {importing ? <ImportForm onClose={() => setImporting(false)} onSaved={methods.reload} /> : null}
    </div>
  );
}
