'use client';
import { Button, Modal, Progress } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { type Merged, mergedSentences, staysText } from '@/core/archive/merged';
import { errorText, post } from '../api/http';
import { nowMs } from '../api/serverClock';
import { Cancelled, sendFile } from '../api/upload';
import { usePrint } from '../shell/facts';
import { Notice } from '../shell/Notice';

/** With the copy of how it was before; null while nothing was taken in. */
type Answer = Merged & { readonly before: string | null };

type State =
  | { readonly kind: 'reading' }
  | { readonly kind: 'shown'; readonly merged: Answer }
  | { readonly kind: 'taking'; readonly merged: Answer }
  | { readonly kind: 'done'; readonly merged: Answer }
  | { readonly kind: 'goingBack'; readonly merged: Answer }
  | { readonly kind: 'back'; readonly aside: string }
  | { readonly kind: 'fault'; readonly text: string };

function notTaken(error: unknown): string {
  const text = errorText(error);
  return text.includes('Nothing was taken in') ? text : `${text} Nothing was taken in.`;
}

/** What a saved file would change, shown before anything is; then it is taken in, by id, nothing twice. */
export function TakeIn({ file, onClose }: { file: File; onClose: () => void }) {
  const print = usePrint();
  const [state, setState] = useState<State>({ kind: 'reading' });
  const [share, setShare] = useState(0);
  const stop = useRef<AbortController | null>(null);
  useEffect(() => {
    const own = new AbortController();
    stop.current = own;
    sendFile<Answer>('/archive', file, undefined, { onProgress: setShare, signal: own.signal })
      .then((merged) => setState({ kind: 'shown', merged }))
      .catch((error) => error instanceof Cancelled || setState({ kind: 'fault', text: notTaken(error) }));
    return () => own.abort();
  }, [file]);
  const take = (merged: Answer) => {
    const own = new AbortController();
    stop.current = own;
    setShare(0);
    setState({ kind: 'taking', merged });
    sendFile<Answer>('/archive?take=yes', file, undefined, { onProgress: setShare, signal: own.signal })
      .then((done) => setState({ kind: 'done', merged: done }))
      .catch((error) => setState(error instanceof Cancelled ? { kind: 'shown', merged } : { kind: 'fault', text: notTaken(error) }));
  };
  const goBack = (merged: Answer) => {
    if (!merged.before) return;
    setState({ kind: 'goingBack', merged });
    post<{ aside: string }>(`/archive?back=${encodeURIComponent(merged.before)}`, {})
      .then(({ aside }) => setState({ kind: 'back', aside }))
      .catch((error) => setState({ kind: 'fault', text: errorText(error) }));
  };
  const isSending = state.kind === 'reading' || state.kind === 'taking';
  const shown = 'merged' in state ? state.merged : null;
  const isDone = state.kind === 'done' || state.kind === 'goingBack' || state.kind === 'back';
  return (
    <Modal
      open
      title={`Take in ${file.name}`}
      okText={isDone ? 'Close' : 'Take it in'}
      cancelText="Cancel"
      cancelButtonProps={isDone ? { style: { display: 'none' } } : {}}
      okButtonProps={{ disabled: shown === null && !isDone, loading: state.kind === 'taking' }}
      onOk={() => (isDone || !shown ? onClose() : take(shown))}
      // What has been sent whole is taken in whatever happens here: only its sending can be stopped.
      onCancel={() => (state.kind === 'taking' && share < 1 ? stop.current?.abort() : onClose())}
    >
      <div className="stack" aria-live="polite">
        {state.kind === 'fault' ? <Notice kind="fault">{state.text}</Notice> : null}
        {isSending ? (
          <>
            <p>{share < 1 ? 'Sending the file …' : state.kind === 'taking' ? 'Sent. Taking it in …' : 'Sent. Checking every part of it …'}</p>
            <Progress percent={Math.floor(100 * share)} status="active" aria-label="Sent of the file" />
          </>
        ) : null}
        {state.kind === 'back' ? <p>Everything is as it was before. What was there in between is kept in the folder “{state.aside}” of your data.</p> : null}
        {shown ? (
          <>
            <p>
              Saved {print.date(shown.madeAtMs, nowMs())}. {isDone ? 'This was taken in:' : 'Taking it in changes this:'}
            </p>
            <ul>
              {mergedSentences(shown).map((sentence) => (
                <li key={sentence}>{sentence}</li>
              ))}
            </ul>
            {shown.stays.length > 0 ? <p className="quiet">Different in the file, and kept as here: {staysText(shown)}.</p> : null}
            {shown.before ? (
              <>
                <p className="quiet">How everything was before is saved as {shown.before}, in the folder “copies” of your data.</p>
                <Button style={{ alignSelf: 'flex-start' }} loading={state.kind === 'goingBack'} onClick={() => goBack(shown)}>
                  Put it back as it was before
                </Button>
              </>
            ) : null}
          </>
        ) : null}
      </div>
    </Modal>
  );
}
