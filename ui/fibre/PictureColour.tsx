'use client';
import { Button, Upload } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { averageHex } from '@/core/colour/average';

const MAX_PX = 360;
/** Half the side of the square that is read around the touch, pixels of the shown picture. */
const READ_PX = 6;

/**
 * Reads a base colour off a picture: touch the fibre. The picture stays on this device; a lamp's cast goes into the
 * colour, which is said.
 */
export function PictureColour({ onColour }: { onColour: (hex: string) => void }) {
  const [bitmap, setBitmap] = useState<ImageBitmap | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (bitmap && context) context.drawImage(bitmap, 0, 0, context.canvas.width, context.canvas.height);
    return () => bitmap?.close();
  }, [bitmap]);
  const load = async (file: File) => {
    try {
      setBitmap(await createImageBitmap(file));
      setProblem(null);
    } catch {
      setProblem('This file could not be read as a picture. Try a JPEG or PNG.');
    }
  };
  const scale = bitmap ? Math.min(1, MAX_PX / Math.max(bitmap.width, bitmap.height)) : 1;
  const read = (x: number, y: number) => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const hex = averageHex(context.getImageData(Math.max(0, x - READ_PX), Math.max(0, y - READ_PX), 2 * READ_PX, 2 * READ_PX).data);
    if (hex) onColour(hex);
  };
  return (
    <div className="stack field">
      <Upload
        accept="image/*"
        showUploadList={false}
        beforeUpload={(file) => {
          void load(file);
          return false;
        }}
      >
        <Button>Read it from a picture</Button>
      </Upload>
      {bitmap ? (
        <>
          <canvas
            ref={canvas}
            style={{ maxWidth: '100%', background: 'var(--swatch-ground)', cursor: 'crosshair' }}
            width={Math.round(bitmap.width * scale)}
            height={Math.round(bitmap.height * scale)}
            onPointerDown={(event) => {
              const box = event.currentTarget.getBoundingClientRect();
              read(((event.clientX - box.left) / box.width) * event.currentTarget.width, ((event.clientY - box.top) / box.height) * event.currentTarget.height);
            }}
          />
          <span className="quiet small">Touch the fibre. A lamp’s cast goes into the colour: daylight is better.</span>
          <Button style={{ alignSelf: 'flex-start' }} onClick={() => read((bitmap.width * scale) / 2, (bitmap.height * scale) / 2)}>
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
