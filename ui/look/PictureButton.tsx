'use client';
import { CameraOutlined } from '@ant-design/icons';
import { App, Button, Upload } from 'antd';
import { useEffect } from 'react';
import { type LookInput, MOST_PICTURES } from '@/contract/looks';
import { errorText } from '../api/http';
import { keepLook } from '../api/lookBox';
import { newId } from '../api/newId';
import { nowMs } from '../api/serverClock';

/** What phones and computers write. */
const KINDS = 'image/*,.heic,.heif,.avif';

export type LookOf = Pick<LookInput, 'lotIds' | 'liquorId' | 'at' | 'state' | 'light'>;

interface Props {
  readonly of: LookOf;
  readonly className?: string;
  /** Takes what is pasted or dropped anywhere on the page, too. */
  readonly whole?: boolean;
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

const isPicture = (file: File): boolean => file.type.startsWith('image/') || /\.(heic|heif|avif)$/i.test(file.name);

/** One tap: the camera or the files of the device, several at once. What is taken is kept before it is sent. */
export function PictureButton({ of, className, whole = false }: Props) {
  const { message } = App.useApp();
  const keep = (files: readonly File[]) => {
    // A look holds so many; more are more looks.
    for (let i = 0; i < files.length; i += MOST_PICTURES)
      keepLook({ input: plainLook(of), files: files.slice(i, i + MOST_PICTURES) }).catch((error: unknown) =>
        message.error(`This browser could not keep the picture: ${errorText(error)}`),
      );
  };
  useEffect(() => {
    if (!whole) return;
    const take = (event: Event, data: DataTransfer | null) => {
      const files = [...(data?.files ?? [])].filter(isPicture);
      if (files.length === 0) return;
      event.preventDefault();
      keep(files);
    };
    const onPaste = (event: ClipboardEvent) => take(event, event.clipboardData);
    const onDrop = (event: DragEvent) => take(event, event.dataTransfer);
    const onOver = (event: DragEvent) => event.preventDefault();
    window.addEventListener('paste', onPaste);
    window.addEventListener('drop', onDrop);
    window.addEventListener('dragover', onOver);
    return () => {
      window.removeEventListener('paste', onPaste);
      window.removeEventListener('drop', onDrop);
      window.removeEventListener('dragover', onOver);
    };
  });
  return (
    <Upload
      style={{ display: 'block' }}
      accept={KINDS}
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
