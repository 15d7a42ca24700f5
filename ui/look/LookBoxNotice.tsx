'use client';
import { Button } from 'antd';
import { useSyncExternalStore } from 'react';
import { forgetLookRefusal, type LookBox, listenLookBox, lookBox, type WaitingLook } from '../api/lookBox';
import { Notice } from '../shell/Notice';

const NONE: LookBox = { waiting: [], isHeld: false, refusal: null };

/** Looks that could not be sent and wait in this browser, and what was refused of them. @param isMine those that this place is about */
export function LookBoxNotice({ isMine }: { isMine: (look: WaitingLook) => boolean }) {
  const { waiting, isHeld, refusal } = useSyncExternalStore(listenLookBox, lookBox, () => NONE);
  const mine = isHeld ? waiting.filter(isMine) : [];
  return (
    <>
      {refusal ? (
        <Notice kind="fault" acts={<Button onClick={forgetLookRefusal}>Understood</Button>}>
          {refusal}
        </Notice>
      ) : null}
      {mine.length > 0 ? (
        <Notice>
          {mine.length === 1 ? 'What you kept is' : `${mine.length} looks are`} on this device still, and sent as soon as Hyndle takes{' '}
          {mine.length === 1 ? 'it' : 'them'}.
        </Notice>
      ) : null}
    </>
  );
}
