'use client';
import { isWithdrawn, type Look } from '@/core/swatch/look';
import { useNow } from '../api/serverClock';
import { useLoaded } from '../api/useLoaded';
import { usePrint } from '../shell/facts';
import { LookBoxNotice } from './LookBoxNotice';
import { PictureButton } from './PictureButton';
import { Thumbs } from './Thumbs';

/** How a kept bath looked, picture by picture: mould and colour are seen, not measured. */
export function BathLooks({ liquorId, name }: { liquorId: string; name: string }) {
  const print = usePrint();
  const now = useNow(60_000);
  const loaded = useLoaded<Look[]>(`/looks?liquorId=${liquorId}`);
  const looks = loaded.state === 'ready' ? loaded.value.filter((look) => !isWithdrawn(look)).toReversed() : [];
  return (
    <section aria-label="How it looks" className="stack stack-tight">
      <LookBoxNotice isMine={({ input }) => input.liquorId === liquorId} />
      <PictureButton of={{ lotIds: [], liquorId, at: null, state: null, light: null }} />
      {looks.map((look) => (
        <div key={look.id} className="line line-tight">
          <time className="quiet figure" dateTime={new Date(look.atMs).toISOString()}>
            {print.date(look.atMs, now)}
          </time>
          <Thumbs pictures={look.pictures} of={`${name}, ${print.date(look.atMs, now)}`} sizePx={72} />
        </div>
      ))}
    </section>
  );
}
