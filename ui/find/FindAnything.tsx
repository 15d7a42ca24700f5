'use client';
import { AutoComplete, Modal, Skeleton, Tag } from 'antd';
import { useRouter } from 'next/navigation';
import { type KeyboardEvent, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import type { LotView, SessionSummary } from '@/contract/views';
import { find, indexThings, type Thing } from '@/core/find/find';
import type { Vessel } from '@/core/kitchen/vessel';
import { useBook } from '../api/useBook';
import { allLoaded, useLoaded } from '../api/useLoaded';
import { Notice } from '../shell/Notice';
import { thingsOf } from './things';

/** Lots, sessions, methods, stuffs, pages and words of the trade, by the first letters of any word on them; keys only, if one likes. */
export function FindAnything({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const lots = useLoaded<LotView[]>('/lots');
  const sessions = useLoaded<SessionSummary[]>('/sessions');
  const vessels = useLoaded<Vessel[]>('/vessels');
  const book = useBook();
  const loaded = useMemo(() => allLoaded({ lots, sessions, vessels, book }), [lots, sessions, vessels, book]);
  const index = useMemo(() => (loaded.state === 'ready' ? indexThings(thingsOf(loaded.value)) : null), [loaded]);
  const [text, setText] = useState('');
  const wanted = useDeferredValue(text);
  const found = useMemo(() => (index ? find(index, wanted) : []), [index, wanted]);
  const marked = useRef<string | null>(null);
  const [enteredEarly, setEnteredEarly] = useState(false);

  const go = (thing: Thing) => {
    router.push(thing.href);
    onClose();
  };

  // Enter means the words as they stand: the list that is drawn may be a letter behind, its mark not yet set, or nothing loaded at all.
  const enter = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' || event.nativeEvent.isComposing) return;
    event.preventDefault();
    event.stopPropagation();
    const now = index ? find(index, text) : [];
    const thing = now.find((one) => one.id === marked.current) ?? now[0];
    if (thing) go(thing);
    else setEnteredEarly(index === null && text.trim() !== '');
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: only the arrival of the index answers an Enter that came before it.
  useEffect(() => {
    const first = enteredEarly && index ? find(index, text)[0] : undefined;
    if (first) go(first);
  }, [index]);

  return (
    <Modal open title="Find anything" footer={null} onCancel={onClose} width={640} style={{ top: 48 }} destroyOnHidden>
      <div className="stack" style={{ minHeight: 380 }} onKeyDownCapture={enter}>
        <AutoComplete
          autoFocus
          open={found.length > 0}
          defaultActiveFirstOption
          aria-label="Find anything"
          placeholder="First letters of any word: a lot, a plant, a method, a page"
          value={text}
          onChange={(next: string) => {
            setText(next);
            setEnteredEarly(false);
          }}
          onActive={(id) => {
            marked.current = id === null ? null : String(id);
          }}
          filterOption={false}
          listHeight={320}
          getPopupContainer={(input) => input.parentElement ?? document.body}
          options={found.map((thing) => ({
            value: thing.id,
            label: (
              <span className="line line-tight">
                {thing.name} <Tag>{thing.kind}</Tag>
              </span>
            ),
            title: thing.name,
          }))}
          onSelect={(id: string) => {
            const thing = found.find((one) => one.id === id);
            if (thing) go(thing);
          }}
        />
        {loaded.state === 'loading' ? <Skeleton active paragraph={{ rows: 4 }} /> : null}
        {loaded.state === 'failed' ? <Notice kind="fault">{loaded.why}</Notice> : null}
        <p role="status" className="quiet">
          {index && wanted.trim() !== '' && found.length === 0 ? 'Nothing has these words.' : ''}
        </p>
      </div>
    </Modal>
  );
}
