'use client';
import { Button, Upload } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import { hexOfLinear } from '@/core/colour/lab';
import type { Mark } from '@/workers/picture.worker';
import { PictureMarks } from '../look/PictureMarks';
import { usePictureReading } from '../look/usePictureReading';

/**
 * Reads a base colour off a picture of this device: touch the fibre. The picture is not kept; a lamp's cast goes into the
 * colour, which is said.
 */
export function PictureColour({ onColour }: { onColour: (hex: string) => void }) {
  const [file, setFile] = useState<File | null>(null);
  const [touched, setTouched] = useState<Mark | null>(null);
  const { shown, reading, problem } = usePictureReading(file, touched, null);
  const mark = useMemo(() => touched ?? (shown && middleOf(shown)), [touched, shown]);
  const hex = touched && reading?.patch ? hexOfLinear(reading.patch.light) : null;
  const latest = useRef(onColour);
  useEffect(() => {
    latest.current = onColour;
  });
  useEffect(() => {
    if (hex) latest.current(hex);
  }, [hex]);
  return (
    <div className="stack field">
      <Upload
        accept="image/*"
        showUploadList={false}
        beforeUpload={(chosen) => {
          setTouched(null);
          setFile(chosen);
          return false;
        }}
      >
        <Button>Read it from a picture</Button>
      </Upload>
      {shown && mark ? (
        <>
          <PictureMarks picture={shown} marks={[{ key: 'fibre', mark }]} moved="fibre" onMove={setTouched} />
          <span className="quiet small">Touch the fibre. A lamp’s cast goes into the colour: daylight is better.</span>
          <Button style={{ alignSelf: 'flex-start' }} onClick={() => setTouched(middleOf(shown))}>
            Take the middle
          </Button>
        </>
      ) : null}
      {problem ? (
        <span className="fault" role="alert">
          {problem}
        </span>
      ) : null}
    </div>
  );
}

const middleOf = ({ width, height }: ImageBitmap): Mark => ({ x: width / 2, y: height / 2, halfPx: Math.max(4, Math.round(Math.min(width, height) / 16)) });
