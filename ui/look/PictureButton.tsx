'use client';
import { CameraOutlined } from '@ant-design/icons';
import { App, Button, Upload } from 'antd';
import { type LookInput, MOST_PICTURES } from '@/contract/looks';
import type { Picture } from '@/core/swatch/look';
import { errorText } from '../api/http';
import { keepLook } from '../api/lookBox';
import { newId } from '../api/newId';
import { nowMs } from '../api/serverClock';
import { PICTURE_KINDS, useDroppedPictures } from './pictureFiles';

export type LookOf = Pick<LookInput, 'lotIds' | 'liquorId' | 'at' | 'state' | 'light'>;

interface Props {
  readonly of: LookOf;
  readonly className?: string;
  /** Takes what is pasted or dropped anywhere on the page, too. */
  readonly whole?: boolean;
  /** Once this browser has it. */
  readonly onKept?: () => void;
}

export const plainLook = (of: LookOf): LookInput & { atMs: number } => ({
  ...of,
  id: newId(),
  part: null,
  pictures: [],
  colour: null,
  verdict: {},
  note: '',
  atMs: Math.round(nowMs()),
});

/** A look at a picture that is kept already, at the time it was taken. */
export const lookAtPicture = (of: LookOf, picture: Picture): LookInput & { atMs: number } => {
  const look = plainLook(of);
  return { ...look, pictures: [picture], atMs: picture.takenAtMs ?? look.atMs };
};

/** Keeps them in this browser, then sends them. A look holds so many; more are more looks. */
export async function keepPictures(of: LookOf, files: readonly File[]): Promise<void> {
  for (let i = 0; i < files.length; i += MOST_PICTURES) await keepLook({ input: plainLook(of), files: files.slice(i, i + MOST_PICTURES) });
}

/** One tap: the camera or the files of the device, several at once. What is taken is kept before it is sent. */
export function PictureButton({ of, className, whole = false, onKept }: Props) {
  const { message } = App.useApp();
  const keep = (files: readonly File[]) => {
    keepPictures(of, files).then(onKept, (error: unknown) => message.error(`This browser could not keep the picture: ${errorText(error)}`));
  };
  useDroppedPictures(whole ? keep : null);
  return (
    <Upload
      style={{ display: 'block' }}
      accept={PICTURE_KINDS}
      multiple
      showUploadList={false}
      beforeUpload={(file, all) => {
        // Told once for each: the first brings all.
        if (file === all[0]) keep(all);
        return false;
      }}
    >
      <Button className={className} icon={<CameraOutlined aria-hidden="true" />}>
        Picture
      </Button>
    </Upload>
  );
}
