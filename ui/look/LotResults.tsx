'use client';
import { Button, Input, Modal, Select } from 'antd';
import { useMemo, useState } from 'react';
import type { LotView } from '@/contract/views';
import { changeGrade, printRating } from '@/core/colour/grades';
import { hexOfLab } from '@/core/colour/lab';
import { beside, besideText } from '@/core/swatch/beside';
import { colourByText, isWithdrawn, type Light, type Look, type LookState, lightText, lookText, type Picture, stateText } from '@/core/swatch/look';
import { type SeenColour, type Swatch, swatchDetail, swatchesOf, swatchName } from '@/core/swatch/swatch';
import { errorText, post } from '../api/http';
import { useNow } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { later } from '../shell/later';
import { Notice } from '../shell/Notice';
import { Panel } from '../shell/Page';
import { Drying } from './Drying';
import { LookBoxNotice } from './LookBoxNotice';
import { LIGHT, STATE } from './lookWords';
import { OneTap } from './OneTap';
import { OnItsWay } from './OnItsWay';
import { Patch } from './Patch';
import { type LookOf, PictureButton } from './PictureButton';
import { SpottedPicture } from './SpottedPicture';
import { Thumbs } from './Thumbs';

const LookForm = later(() => import('./LookForm').then((module) => module.LookForm));
const MarkPlants = later(() => import('./MarkPlants').then((module) => module.MarkPlants));
const ReadPicture = later(() => import('./ReadPicture').then((module) => module.ReadPicture));

/** How a lot came out, after each treatment: pictures, colours, words, and what changed from one to the next. */
export function LotResults({ lot }: { lot: LotView }) {
  const loaded = useLoaded<Look[]>(`/lots/${lot.id}/looks`);
  const [state, setState] = useState<LookState | null>(null);
  const [light, setLight] = useState<Light | null>(null);
  const [saying, setSaying] = useState(false);
  const [reading, setReading] = useState<{ picture: Picture; look: Look } | null>(null);
  const [marking, setMarking] = useState<{ picture: Picture; look: Look } | null>(null);
  const [changing, setChanging] = useState<Look | null>(null);
  const looks = loaded.state === 'ready' ? loaded.value : null;
  const swatches = useMemo(() => swatchesOf(lot.id, lot.passport, looks?.filter((look) => look.lotIds.includes(lot.id)) ?? []).reverse(), [lot, looks]);
  const before = looks?.filter((look) => !look.lotIds.includes(lot.id) && !isWithdrawn(look)) ?? [];
  const plants = [...new Set(lot.passport.treatments.flatMap(({ kind, substance }) => (kind === 'dye' && substance ? [substance] : [])))];
  const of: LookOf = { lotIds: [lot.id], liquorId: null, at: null, state, light };
  return (
    <Panel
      title="How it came out"
      label="How it came out"
      acts={
        lot.ended ? null : (
          <div className="line line-tight">
            <OneTap label="It is" words={STATE} value={state} onChange={setState} />
            <OneTap label="The light is" words={LIGHT} value={light} onChange={setLight} />
            <PictureButton of={of} whole />
            <Button type="primary" onClick={() => setSaying(true)}>
              Say how
            </Button>
          </div>
        )
      }
    >
      <LookBoxNotice isMine={({ input }) => input.lotIds.includes(lot.id)} />
      {looks && swatches.length === 0 && before.length === 0 ? (
        <p className="quiet">
          {lot.ended ? 'Nobody looked at it.' : 'Nobody looked yet. Take a picture, drop or paste one here, or say in a few taps how it came out.'}
        </p>
      ) : null}
      {swatches.map((swatch, i) => (
        <SwatchLooks
          key={swatch.id}
          swatch={swatch}
          before={swatches.slice(i + 1).find((one) => one.colour !== null) ?? null}
          gets={lot.trial?.gets ?? null}
          onRead={(picture, look) => setReading({ picture, look })}
          onMark={plants.length > 0 ? (picture, look) => setMarking({ picture, look }) : null}
          onChange={setChanging}
        />
      ))}
      {before.length > 0 ? (
        <p className="quiet">
          Seen before it was this lot: {before.length} {before.length === 1 ? 'look' : 'looks'} at{' '}
          {[...new Set(before.flatMap((look) => look.lotIds))].map((id) => (
            <LinkButton key={id} type="link" size="small" href={`/fibre/${id}`}>
              the whole
            </LinkButton>
          ))}
        </p>
      ) : null}
      {saying ? <LookForm of={of} title={`How ${lot.name} came out`} onClose={() => setSaying(false)} /> : null}
      {reading ? (
        <ReadPicture
          picture={reading.picture}
          of={{ ...of, at: reading.look.at, state: reading.look.state, light: reading.look.light }}
          undyedHex={lot.baseHex}
          title={`The colour of ${lot.name}`}
          onClose={() => setReading(null)}
        />
      ) : null}
      {marking ? (
        <MarkPlants
          picture={marking.picture}
          of={{ ...of, at: marking.look.at, state: marking.look.state, light: marking.look.light }}
          plants={plants}
          title={`What printed where on ${lot.name}`}
          onClose={() => setMarking(null)}
        />
      ) : null}
      {changing ? <ChangeLook look={changing} lotId={lot.id} onClose={() => setChanging(null)} /> : null}
    </Panel>
  );
}

interface SwatchProps {
  readonly swatch: Swatch;
  /** The result that it was made of. */
  readonly before: Swatch | null;
  /** What it gets in a trial. */
  readonly gets: string | null;
  readonly onRead: (picture: Picture, look: Look) => void;
  /** Which plant printed where; null where nobody laid any. */
  readonly onMark: ((picture: Picture, look: Look) => void) | null;
  readonly onChange: (look: Look) => void;
}

function SwatchLooks({ swatch, before, gets, onRead, onMark, onChange }: SwatchProps) {
  const name = swatchName(swatch, gets);
  const print = usePrint();
  const now = useNow(60_000);
  const latest = swatch.colours.at(-1);
  return (
    <section aria-label={name} className="stack">
      <div className="line">
        <Patch hex={swatch.colour && hexOfLab(swatch.colour.lab)} sizePx={64} />
        <div>
          <h3>{name}</h3>
          <span className="quiet">
            {[swatchDetail(swatch), swatch.colour ? `${stateText(swatch.colour.state)}, ${colourByText(swatch.colour.by)}` : 'no colour read']
              .filter(Boolean)
              .join(' · ')}
          </span>
        </div>
      </div>
      <OnItsWay colours={swatch.colours} />
      {latest && (latest.state === 'wet' || latest.state === 'rinsed') ? <Drying lotId={swatch.lotId} wet={latest.lab} /> : null}
      <Since swatch={swatch} before={before} />
      <Changes colours={swatch.colours} />
      <ol>
        {swatch.looks.toReversed().map((look) => {
          const words = lookText(look, (colour) => hexOfLab(colour.lab));
          return (
            <li key={look.id} className="row" style={{ alignItems: 'flex-start' }}>
              <time className="quiet figure" style={{ minWidth: '11ch' }} dateTime={new Date(look.atMs).toISOString()}>
                {print.date(look.atMs, now)}
              </time>
              {look.colour ? <Patch hex={hexOfLab(look.colour.lab)} sizePx={28} /> : null}
              <span className="row-main">
                {words}
                {look.by ? <em className="quiet"> by {look.by}</em> : null}
                <Spotted look={look} of={`${name}, ${print.date(look.atMs, now)}`} />
                {look.pictures.length > 0 && !look.spots?.length ? (
                  <Thumbs
                    pictures={look.pictures}
                    of={`${name}, ${print.date(look.atMs, now)}`}
                    onRead={(picture) => onRead(picture, look)}
                    {...(onMark ? { onMark: (picture) => onMark(picture, look) } : {})}
                  />
                ) : null}
              </span>
              <Button type="link" size="small" aria-label={`Set right: ${words}`} onClick={() => onChange(look)}>
                set right
              </Button>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

const Spotted = ({ look, of }: { look: Look; of: string }) =>
  look.pictures.map((picture) => {
    const spots = look.spots?.filter(({ hash }) => hash === picture.hash) ?? [];
    return spots.length > 0 ? <SpottedPicture key={picture.hash} picture={picture} spots={spots} of={of} /> : null;
  });

/** What the last treatment made of it: the colour that stood before beside the one that stands now. */
function Since({ swatch, before }: Pick<SwatchProps, 'swatch' | 'before'>) {
  if (!swatch.colour || !before?.colour) return null;
  return (
    <p className="line line-tight">
      <Patch hex={hexOfLab(before.colour.lab)} sizePx={24} />
      <Patch hex={hexOfLab(swatch.colour.lab)} sizePx={24} />
      <span>
        Since “{swatchName(before)}”: <BesideWords from={before.colour} to={swatch.colour} />
      </span>
    </p>
  );
}

/** What differs from one colour to another in words, with what may be something else than the fibre. */
function BesideWords({ from, to }: { from: SeenColour; to: SeenColour }) {
  const two = beside(from, to);
  return (
    <>
      {two.comparable
        ? `${besideText(two)}${from.part !== to.part ? ` · ${printRating(changeGrade(from.lab, to.lab).rating)} on the grey scale` : ''}`
        : `${two.difference.words} · not to be compared`}
      {two.doubts.map((doubt) => (
        <span key={doubt} className="quiet">{` ${doubt}`}</span>
      ))}
      {from.light && to.light && from.light !== to.light ? <span className="quiet"> {`${lightText(from.light)}, then ${lightText(to.light)}.`}</span> : null}
    </>
  );
}

/** From each colour to the next: what changed, and what may have been something else than the fibre. */
function Changes({ colours }: { colours: readonly SeenColour[] }) {
  if (colours.length < 2) return null;
  return (
    <ol>
      {colours.slice(1).map((to, i) => {
        const from = colours[i] as SeenColour;
        return (
          <li key={to.lookId} className="row">
            <span className="line line-tight">
              <Patch hex={hexOfLab(from.lab)} sizePx={24} />
              <Patch hex={hexOfLab(to.lab)} sizePx={24} />
            </span>
            <span className="row-main">
              <span>
                <strong>
                  {from.part ?? stateText(from.state)} to {to.part ?? stateText(to.state)}
                </strong>
                : <BesideWords from={from} to={to} />
              </span>
            </span>
          </li>
        );
      })}
    </ol>
  );
}

/** A look at the wrong lot is moved, a wrong one withdrawn: both stay written down, with the reason. */
function ChangeLook({ look, lotId, onClose }: { look: Look; lotId: string; onClose: () => void }) {
  const lots = useLoaded<LotView[]>('/lots');
  const [to, setTo] = useState<string | null>(null);
  const [reason, setReason] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const send = (path: string, body: object) =>
    post(`/looks/${look.id}/${path}`, { ...body, reason: reason.trim(), revision: look.revision }).then(onClose, (error: unknown) =>
      setProblem(errorText(error)),
    );
  const said = reason.trim() !== '';
  return (
    <Modal open title="Set this look right" footer={null} onCancel={onClose} destroyOnHidden>
      <div className="stack">
        <label className="stack">
          Why?
          <Input value={reason} maxLength={200} autoFocus onChange={(event) => setReason(event.target.value)} placeholder="the tags were swapped" />
        </label>
        <div className="line line-tight">
          <Select
            aria-label="The lot that it shows"
            placeholder="The lot that it shows"
            showSearch={{ optionFilterProp: 'label' }}
            value={to}
            onChange={(id: string) => setTo(id)}
            options={(lots.state === 'ready' ? lots.value : [])
              .filter((lot) => lot.id !== lotId)
              .map((lot) => ({ value: lot.id, label: `${lot.name} · ${lot.id.slice(0, 6)}` }))}
            style={{ flex: 1, minWidth: 220 }}
          />
          <Button disabled={!said || to === null} onClick={() => void send('move', { lotIds: [...look.lotIds.filter((id) => id !== lotId), to] })}>
            It shows that one
          </Button>
        </div>
        <Button disabled={!said} onClick={() => void send('withdraw', {})}>
          Withdraw it
        </Button>
        {problem ? <Notice kind="fault">{problem}</Notice> : null}
      </div>
    </Modal>
  );
}
