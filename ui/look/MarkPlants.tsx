'use client';
import { AutoComplete, Button, Modal, Segmented, Skeleton } from 'antd';
import { useMemo, useState } from 'react';
import { MOST_SPOTS } from '@/contract/looks';
import type { Picture, Spot } from '@/core/swatch/look';
import type { Mark } from '@/workers/picture.worker';
import { errorText } from '../api/http';
import { keepLook } from '../api/lookBox';
import { Notice } from '../shell/Notice';
import { type LookOf, lookAtPicture } from './PictureButton';
import { PictureMarks } from './PictureMarks';
import { usePictureReading } from './usePictureReading';

interface Marked {
  readonly key: string;
  readonly mark: Mark;
  readonly plant: string;
  readonly sure: boolean;
}

interface Props {
  readonly picture: Picture;
  readonly of: LookOf;
  /** What was laid there, by name. */
  readonly plants: readonly string[];
  readonly title: string;
  readonly onClose: () => void;
}

/** Which plant printed where: a number on the picture for each spot, with its plant, known or guessed. */
export function MarkPlants({ picture, of, plants, title, onClose }: Props) {
  const { shown, problem: unread } = usePictureReading(picture.hash, null, null);
  const [spots, setSpots] = useState<readonly Marked[]>([]);
  const [moved, setMoved] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const marks = useMemo(() => spots.map(({ key, mark }) => ({ key, mark })), [spots]);
  const change = (key: string, more: Partial<Marked>) => {
    setProblem(null);
    setSpots(spots.map((spot) => (spot.key === key ? { ...spot, ...more } : spot)));
  };
  const add = () => {
    if (!shown) return;
    const key = `${Math.max(0, ...spots.map((spot) => Number(spot.key))) + 1}`;
    const halfPx = Math.max(4, Math.round(Math.min(shown.width, shown.height) / 40));
    // Each new one a little beside the last, so that it is seen.
    const at = ((spots.length % 5) - 2) * 3 * halfPx;
    setSpots([...spots, { key, mark: { x: shown.width / 2 + at, y: shown.height / 2, halfPx }, plant: '', sure: true }]);
    setMoved(key);
  };
  const keep = () => {
    if (!shown) return;
    const unnamed = spots.find(({ plant }) => plant.trim() === '');
    if (unnamed) return setProblem(`Spot ${unnamed.key} has no plant yet. Name it, a guess will do, or leave it out.`);
    const kept: Spot[] = spots.map(({ mark, plant, sure }) => ({
      hash: picture.hash,
      x: mark.x / shown.width,
      y: mark.y / shown.height,
      plant: plant.trim(),
      sure,
    }));
    keepLook({ input: { ...lookAtPicture(of, picture), spots: kept }, files: [] }).then(onClose, (error: unknown) => setProblem(errorText(error)));
  };
  return (
    <Modal
      open
      title={title}
      width={800}
      style={{ top: 24 }}
      okText="Keep these spots"
      cancelText="Not now"
      okButtonProps={{ disabled: spots.length === 0 }}
      onOk={keep}
      onCancel={onClose}
      mask={{ closable: false }}
    >
      <div className="stack">
        {shown ? (
          <PictureMarks picture={shown} marks={marks} moved={moved} onMove={(mark) => change(moved, { mark })} />
        ) : unread ? (
          <Notice kind="fault">{unread}</Notice>
        ) : (
          <Skeleton.Node active style={{ width: '100%', height: 380 }} />
        )}
        <ol className="stack stack-tight" aria-label="Spots">
          {spots.map(({ key, plant, sure }) => (
            <li key={key} className="line line-tight">
              <Button size="small" type={key === moved ? 'primary' : 'default'} aria-label={`Move spot ${key}`} onClick={() => setMoved(key)}>
                {key}
              </Button>
              <AutoComplete
                aria-label={`Plant of spot ${key}`}
                value={plant}
                placeholder="Which plant?"
                maxLength={60}
                options={plants.map((value) => ({ value }))}
                onChange={(text: string) => change(key, { plant: text })}
                style={{ width: 220 }}
              />
              <Segmented
                aria-label={`Spot ${key} is`}
                value={sure ? 'known' : 'guess'}
                options={['known', 'guess']}
                onChange={(value) => change(key, { sure: value === 'known' })}
              />
              <Button type="text" size="small" aria-label={`Leave spot ${key} out`} onClick={() => setSpots(spots.filter((spot) => spot.key !== key))}>
                leave out
              </Button>
            </li>
          ))}
        </ol>
        <Button onClick={add} disabled={!shown || spots.length >= MOST_SPOTS} style={{ alignSelf: 'flex-start' }}>
          Add a spot
        </Button>
        {problem ? <Notice kind="fault">{problem}</Notice> : null}
      </div>
    </Modal>
  );
}
