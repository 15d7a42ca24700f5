'use client';
import { Button } from 'antd';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { type Method, STAGES } from '@/core/method/method';
import { useLoaded } from '../api/useLoaded';
import { EmptyPlace } from '../shell/EmptyPlace';
import { FailedPage } from '../shell/FailedPage';
import { LoadingPage } from '../shell/LoadingPage';
import { later } from '../shell/later';
import { Page } from '../shell/Page';
import { SearchField } from '../shell/SearchField';
import { KIND_WORD, StitchPatch } from '../theme/stitches';

const ImportForm = later(() => import('./ImportForm').then((module) => module.ImportForm));

/** The library by stage in working order; where practice differs the schools stand side by side. */
export function MethodsPage() {
  const methods = useLoaded<Method[]>('/methods');
  const [text, setText] = useState('');
  const [importing, setImporting] = useState(false);
  const all = methods.state === 'ready' ? methods.value : null;
  const stages = useMemo(() => {
    const wanted = text.trim().toLowerCase();
    const found = (all ?? []).filter((method) => `${method.name} ${method.school} ${method.why}`.toLowerCase().includes(wanted));
    return STAGES.map((stage) => ({ stage, methods: found.filter((method) => method.stage === stage) })).filter((group) => group.methods.length > 0);
  }, [all, text]);
  if (methods.state === 'loading') return <LoadingPage title="Methods" shape="panels" />;
  if (methods.state === 'failed') return <FailedPage title="Methods" why={methods.why} retry={methods.retry} />;
  return (
    <Page
      title="Methods"
      under={<span>In working order. Figures are common practice, with no published source, unless they say otherwise.</span>}
      acts={
        <>
          <SearchField label="Find a method" value={text} onChange={setText} width={240} />
          <Button onClick={() => setImporting(true)}>Take a file in</Button>
        </>
      }
    >
      {stages.length === 0 ? <EmptyPlace act={<Button onClick={() => setText('')}>Show all methods</Button>}>No method is called “{text}”.</EmptyPlace> : null}
      {stages.map((group) => (
        <section key={group.stage} className="stack" aria-labelledby={`stage-${group.stage}`}>
          <h2 id={`stage-${group.stage}`} className="line line-tight">
            <StitchPatch kind={group.stage} width={16} height={22} /> {KIND_WORD[group.stage]}
          </h2>
          <ul className="columns">
            {group.methods.map((method) => (
              <li key={method.id} className="panel">
                <Link href={`/methods/${method.id}`} className="row-name">
                  {method.name}
                </Link>
                <span className="quiet small">
                  {method.school}
                  {method.copyOf ? ' · your own' : ''}
                </span>
                <span>{method.why}</span>
              </li>
            ))}
          </ul>
        </section>
      ))}
      {importing ? <ImportForm onClose={() => setImporting(false)} /> : null}
    </Page>
  );
}
