'use client';
import { Modal } from 'antd';
import { useState } from 'react';
import { hexOfLab } from '@/core/colour/lab';
import type { Light, LookState, Picture, Verdict } from '@/core/swatch/look';
import { errorText } from '../api/http';
import { keepLook } from '../api/lookBox';
import { Notice } from '../shell/Notice';
import { Asked } from './Asked';
import { EVEN, LIGHT, STATE } from './lookWords';
import { MarkedPicture, type ReadColour } from './MarkedPicture';
import { OneTap } from './OneTap';
import { Patch } from './Patch';
import { type LookOf, lookAtPicture } from './PictureButton';

interface Props {
  readonly picture: Picture;
  readonly of: LookOf;
  /** The lot's own colour before it was dyed, where somebody knows it. */
  readonly undyedHex: string | null;
  readonly title: string;
  readonly onClose: () => void;
}

/** A colour read off a kept picture: the fibre is marked, and a card beside it if there is one. */
export function ReadPicture({ picture, of, undyedHex, title, onClose }: Props) {
  const [read, setRead] = useState<ReadColour | null>(null);
  const [state, setState] = useState<LookState | null>(of.state);
  const [light, setLight] = useState<Light | null>(of.light);
  const [even, setEven] = useState<NonNullable<Verdict['even']> | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const keep = () => {
    if (!read) return;
    const { lab, card, patch } = read;
    const input = {
      ...lookAtPicture(of, picture),
      state,
      light,
      colour: { lab, by: { kind: 'picture' as const, hash: picture.hash, card, spread: patch.spread, leftOut: patch.leftOut } },
      verdict: even === null ? {} : { even },
    };
    keepLook({ input, files: [] }).then(onClose, (error: unknown) => setProblem(errorText(error)));
  };
  return (
    <Modal
      open
      title={title}
      width={800}
      style={{ top: 24 }}
      okText="Keep this colour"
      cancelText="Not now"
      okButtonProps={{ disabled: !read }}
      onOk={keep}
      onCancel={onClose}
      mask={{ closable: false }}
    >
      <div className="stack">
        <MarkedPicture from={picture.hash} undyedHex={undyedHex} onRead={setRead} />
        {read?.patch.two ? (
          <div className="line line-tight">
            <Patch hex={hexOfLab(read.patch.two[0])} sizePx={28} />
            <Patch hex={hexOfLab(read.patch.two[1])} sizePx={28} />
            <Asked label="Two colours lie in it. Did it take">
              <OneTap label="Did it take" words={EVEN} value={even} onChange={setEven} />
            </Asked>
          </div>
        ) : null}
        <div className="line">
          <Asked label="The fibre is">
            <OneTap label="The fibre is" words={STATE} value={state} onChange={setState} />
          </Asked>
          <Asked label="The light was">
            <OneTap label="The light was" words={LIGHT} value={light} onChange={setLight} />
          </Asked>
        </div>
        {problem ? <Notice kind="fault">{problem}</Notice> : null}
      </div>
    </Modal>
  );
}
