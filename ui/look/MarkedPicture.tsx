'use client';
import { ColorPicker, Segmented, Skeleton, Slider } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import { hexOfLab, type Lab, labOfLinear, printLab } from '@/core/colour/lab';
import { type Card, type Patch as Read, unreadable } from '@/core/colour/patch';
import type { Mark } from '@/workers/picture.worker';
import { Notice } from '../shell/Notice';
import { Asked } from './Asked';
import { Patch } from './Patch';
import { PictureMarks } from './PictureMarks';
import { type PictureReading, usePictureReading } from './usePictureReading';

type CardKind = Card['kind'] | 'none';
const CARDS: Record<CardKind, string> = { none: 'none', white: 'white', grey: 'grey', known: 'undyed fibre' };
const CARD_KINDS = Object.keys(CARDS) as CardKind[];
/** Raw fibre, where nobody said otherwise. */
const RAW_HEX = '#ece6d8';

/** A colour as it was read, with all that tells how sure it is. */
export interface ReadColour {
  readonly lab: Lab;
  readonly card: Card | null;
  readonly patch: Read;
}

interface Props {
  /** A kept picture by its name, or a file of this device. */
  readonly from: string | Blob;
  /** What an undyed piece beside it is, where somebody knows it. */
  readonly undyedHex?: string | null;
  /** Told with each new reading; null while there is none. */
  readonly onRead: (read: ReadColour | null) => void;
}

/** A picture with a square on the fibre and, if there is one, another on a card beside it; what was read stands below. */
export function MarkedPicture({ from, undyedHex = null, onRead }: Props) {
  const [fibreAt, setFibre] = useState<Mark | null>(null);
  const [cardAt, setCard] = useState<Mark | null>(null);
  const [kind, setKind] = useState<CardKind>('none');
  const [knownHex, setKnownHex] = useState(undyedHex ?? RAW_HEX);
  const [moved, setMoved] = useState<'fibre' | 'card'>('fibre');
  const [size, setSize] = useState<{ readonly width: number; readonly height: number } | null>(null);
  const middle = useMemo(
    (): Mark | null => size && { x: size.width / 2, y: size.height / 2, halfPx: Math.max(4, Math.round(Math.min(size.width, size.height) / 12)) },
    [size],
  );
  const fibre = fibreAt ?? middle;
  const card = useMemo(() => cardAt ?? (middle && size && { ...middle, x: size.width / 6, y: size.height / 6 }), [cardAt, middle, size]);
  const is = useMemo((): Card | null => (kind === 'none' ? null : kind === 'known' ? { kind, hex: knownHex } : { kind }), [kind, knownHex]);
  const asked = useMemo(() => is && card && { at: card, is }, [card, is]);
  const marks = useMemo(() => [...(fibre ? [{ key: 'fibre', mark: fibre }] : []), ...(is && card ? [{ key: 'card', mark: card }] : [])], [fibre, card, is]);
  const { shown, reading, problem } = usePictureReading(from, fibre, asked);
  useEffect(() => {
    if (shown) setSize({ width: shown.width, height: shown.height });
  }, [shown]);
  const lab = useMemo(() => labOf(reading, is), [reading, is]);
  const tell = useRef(onRead);
  useEffect(() => {
    tell.current = onRead;
  });
  useEffect(() => {
    tell.current(lab && reading?.patch ? { lab, card: is, patch: reading.patch } : null);
  }, [lab, reading, is]);
  const chosen = is ? moved : 'fibre';
  const ofChosen = chosen === 'fibre' ? fibre : card;
  const move = chosen === 'fibre' ? setFibre : setCard;
  return (
    <>
      {shown && fibre ? (
        <PictureMarks picture={shown} marks={marks} moved={chosen} onMove={move} />
      ) : problem ? (
        <Notice kind="fault">{problem}</Notice>
      ) : (
        <Skeleton.Node active style={{ width: '100%', height: 380 }} />
      )}
      <div className="line">
        <Asked label="A card beside it">
          <Segmented aria-label="A card beside it" value={kind} options={CARD_KINDS.map((value) => ({ value, label: CARDS[value] }))} onChange={setKind} />
        </Asked>
        {is ? (
          <Asked label="A touch moves">
            <Segmented aria-label="A touch moves" value={chosen} options={['fibre', 'card']} onChange={setMoved} />
          </Asked>
        ) : null}
        {kind === 'known' ? <ColorPicker value={knownHex} disabledAlpha showText onChange={(colour) => setKnownHex(colour.toHexString().slice(0, 7))} /> : null}
        {middle && ofChosen ? (
          <Asked label="Size of the square">
            <Slider
              style={{ width: 180 }}
              ariaLabelForHandle="Size of the square"
              min={Math.max(4, Math.round(middle.halfPx / 6))}
              max={middle.halfPx * 4}
              value={ofChosen.halfPx}
              tooltip={{ open: false }}
              onChange={(halfPx) => move({ ...ofChosen, halfPx })}
            />
          </Asked>
        ) : null}
      </div>
      <Said reading={reading} lab={lab} corrected={is !== null} />
    </>
  );
}

function labOf(reading: PictureReading | null, card: Card | null): Lab | null {
  if (!reading?.patch) return null;
  if (!card) return unreadable(reading.patch) === null ? labOfLinear(reading.patch.light) : null;
  return reading.corrected?.ok ? reading.corrected.lab : null;
}

/** What was read, how sure it is, and what stands in the way. */
function Said({ reading, lab, corrected }: { reading: PictureReading | null; lab: Lab | null; corrected: boolean }) {
  const patch = reading?.patch ?? null;
  if (reading && !patch) return <Notice kind="fault">There is too little under the square. Make it larger.</Notice>;
  const why = patch && unreadable(patch);
  if (why) return <Notice kind="fault">{why}</Notice>;
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
