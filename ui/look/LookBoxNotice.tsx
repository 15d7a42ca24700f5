'use client';
import { Button, Progress } from 'antd';
import { useSyncExternalStore } from 'react';
import { cancelLook, forgetLookRefusal, type LookBox, listenLookBox, lookBox, type WaitingLook } from '../api/lookBox';
import { Notice } from '../shell/Notice';

const NONE: LookBox = { waiting: [], isHeld: false, refusal: null, sentShare: null };

/** Looks that could not be sent and wait in this browser, and what was refused of them. @param isMine those that this place is about */
export function LookBoxNotice({ isMine }: { isMine: (look: WaitingLook) => boolean }) {
  const { waiting, isHeld, refusal, sentShare } = useSyncExternalStore(listenLookBox, lookBox, () => NONE);
  const mine = isHeld ? waiting.filter(isMine) : [];
  return (
    <>
      {refusal ? (
        <Notice kind="fault" acts={<Button onClick={forgetLookRefusal}>Understood</Button>}>
          {refusal}
        </Notice>
      ) : null}
      {mine.length > 0 ? (
        <Notice acts={<Button onClick={() => void Promise.all(mine.map(({ input }) => cancelLook(input.id)))}>Cancel upload</Button>}>
          {sentShare === null ? null : <Progress percent={Math.round(100 * sentShare)} size="small" aria-label="Sent of the picture" />}
          {mine.length === 1 ? 'What you kept is' : `${mine.length} looks are`} on this device still, and sent as soon as Hyndle takes{' '}
          {mine.length === 1 ? 'it' : 'them'}.
        </Notice>
      ) : null}
    </>
  );
}
