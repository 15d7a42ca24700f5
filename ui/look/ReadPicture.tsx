'use client';
import { ColorPicker, Modal, Segmented, Skeleton, Slider } from 'antd';
import { type ReactNode, useMemo, useState } from 'react';
import { hexOfLab, type Lab, labOfLinear, printLab } from '@/core/colour/lab';
import type { Card, Patch as Read } from '@/core/colour/patch';
import type { Light, LookState, Picture, Verdict } from '@/core/swatch/look';
import type { Mark } from '@/workers/picture.worker';
import { errorText } from '../api/http';
import { keepLook } from '../api/lookBox';
import { Notice } from '../shell/Notice';
import { EVEN, LIGHT, STATE } from './lookWords';
import { OneTap } from './OneTap';
import { Patch } from './Patch';
import { type LookOf, plainLook } from './PictureButton';
import { PictureMarks } from './PictureMarks';
import { type PictureReading, usePictureReading } from './usePictureReading';

type CardKind = Card['kind'] | 'none';
const CARDS: Record<CardKind, string> = { none: 'none', white: 'white', grey: 'grey', known: 'undyed fibre' };

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
  const middle = { x: picture.widthPx / 2, y: picture.heightPx / 2, halfPx: Math.round(Math.min(picture.widthPx, picture.heightPx) / 12) };
  const [fibre, setFibre] = useState<Mark>(middle);
  const [card, setCard] = useState<Mark>({ ...middle, x: picture.widthPx / 6, y: picture.heightPx / 6 });
  const [kind, setKind] = useState<CardKind>('none');
  const [knownHex, setKnownHex] = useState(undyedHex ?? '#ece6d8');
  const [moved, setMoved] = useState<'fibre' | 'card'>('fibre');
  const [state, setState] = useState<LookState | null>(of.state);
  const [light, setLight] = useState<Light | null>(of.light);
  const [even, setEven] = useState<NonNullable<Verdict['even']> | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const is = useMemo((): Card | null => (kind === 'none' ? null : kind === 'known' ? { kind, hex: knownHex } : { kind }), [kind, knownHex]);
  const asked = useMemo(() => is && { at: card, is }, [card, is]);
  const marks = useMemo(() => [{ key: 'fibre', mark: fibre }, ...(is ? [{ key: 'card', mark: card }] : [])], [fibre, card, is]);
  const { shown, reading, problem: unread } = usePictureReading(picture.hash, fibre, asked);
  const lab = labOf(reading, is);
  const chosen = is ? moved : 'fibre';
  const keep = () => {
    if (!lab || !reading?.patch) return;
    const { spread, leftOut } = reading.patch;
    const input = {
      ...plainLook(of),
      state,
      light,
      pictures: [picture],
      colour: { lab, by: { kind: 'picture' as const, hash: picture.hash, card: is, spread, leftOut } },
      verdict: even === null ? {} : { even },
      ...(picture.takenAtMs === null ? {} : { atMs: picture.takenAtMs }),
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
      okButtonProps={{ disabled: !lab }}
      onOk={keep}
      onCancel={onClose}
      mask={{ closable: false }}
    >
      <div className="stack">
        {shown ? (
          <PictureMarks picture={shown} marks={marks} moved={chosen} onMove={chosen === 'fibre' ? setFibre : setCard} />
        ) : unread ? (
          <Notice kind="fault">{unread}</Notice>
        ) : (
          <Skeleton.Node active style={{ width: '100%', height: 380 }} />
        )}
        <div className="line">
          <Asked label="A card beside it">
            <Segmented aria-label="A card beside it" value={kind} options={optionsOf(CARDS)} onChange={setKind} />
          </Asked>
          {is ? (
            <Asked label="A touch moves">
              <Segmented aria-label="A touch moves" value={chosen} options={['fibre', 'card']} onChange={setMoved} />
            </Asked>
          ) : null}
          {kind === 'known' ? (
            <ColorPicker value={knownHex} disabledAlpha showText onChange={(colour) => setKnownHex(colour.toHexString().slice(0, 7))} />
          ) : null}
          <Asked label="Size of the square">
            <Slider
              style={{ width: 180 }}
              ariaLabelForHandle="Size of the square"
              min={Math.max(4, Math.round(middle.halfPx / 6))}
              max={middle.halfPx * 4}
              value={(chosen === 'fibre' ? fibre : card).halfPx}
              tooltip={{ open: false }}
              onChange={(halfPx) => (chosen === 'fibre' ? setFibre((mark) => ({ ...mark, halfPx })) : setCard((mark) => ({ ...mark, halfPx })))}
            />
          </Asked>
        </div>
        <Said reading={reading} lab={lab} corrected={is !== null} />
        {reading?.patch?.two ? (
          <div className="line line-tight">
            <Patch hex={hexOfLab(reading.patch.two[0])} sizePx={28} />
            <Patch hex={hexOfLab(reading.patch.two[1])} sizePx={28} />
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

function labOf(reading: PictureReading | null, card: Card | null): Lab | null {
  if (!reading?.patch) return null;
  if (!card) return labOfLinear(reading.patch.light);
  return reading.corrected?.ok ? reading.corrected.lab : null;
}

/** What was read, how sure it is, and what stands in the way. */
function Said({ reading, lab, corrected }: { reading: PictureReading | null; lab: Lab | null; corrected: boolean }) {
  const patch: Read | null = reading?.patch ?? null;
  if (reading && !patch) return <Notice kind="fault">There is too little under the square. Make it larger.</Notice>;
  if (reading?.corrected && !reading.corrected.ok) return <Notice kind="fault">{reading.corrected.why}</Notice>;
  return (
    <div className="line" role="status">
      <Patch hex={lab && hexOfLab(lab)} />
      {lab && patch ? (
        <span>
          <strong className="figure">
            {hexOfLab(lab)} · {printLab(lab)}
          </strong>
          <br />
          <span className="quiet">
            {corrected ? 'corrected by the card' : 'not corrected: the light is in it'} · spread ΔE {patch.spread.toFixed(1)}
            {patch.leftOut >= 0.01 ? ` · ${Math.round(patch.leftOut * 100)} % left out as shadow or glare` : ''}
          </span>
        </span>
      ) : (
        <span className="quiet">reading …</span>
      )}
    </div>
  );
}

const optionsOf = <T extends string>(words: Readonly<Record<T, string>>) => (Object.keys(words) as T[]).map((value) => ({ value, label: words[value] }));

const Asked = ({ label, children }: { label: string; children: ReactNode }) => (
  <div>
    <span className="quiet small">{label}</span>
    <div>{children}</div>
  </div>
);
