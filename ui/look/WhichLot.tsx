'use client';
import { Button, Modal, Select, Upload } from 'antd';
import * as Comlink from 'comlink';
import { useEffect, useState } from 'react';
import type { LotView } from '@/contract/views';
import { countText } from '@/core/measure/print';
import type { PictureWorker } from '@/workers/picture.worker';
import { errorText } from '../api/http';
import { useLoaded } from '../api/useLoaded';
import { useThread } from '../api/useThread';
import { Notice } from '../shell/Notice';
import { keepPictures } from './PictureButton';
import { PICTURE_KINDS } from './pictureFiles';

interface Props {
  readonly files: readonly File[];
  readonly onClose: () => void;
}

/** A picture that nobody said anything of asks what it shows. A label's code in it, or on another picture, answers. */
export function WhichLot({ files, onClose }: Props) {
  const lots = useLoaded<LotView[]>('/lots');
  const worker = useThread<PictureWorker>(() => new Worker(new URL('../../workers/picture.worker.ts', import.meta.url), { type: 'module' }));
  const [lotId, setLotId] = useState<string | null>(null);
  const [says, setSays] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const known = lots.state === 'ready' ? lots.value : null;
  const readCode = async (file: File, isLabel: boolean): Promise<boolean> => {
    const bitmap = await createImageBitmap(file).catch(() => null);
    const text = bitmap && (await worker.current?.codeIn(Comlink.transfer(bitmap, [bitmap])));
    const found = text ? known?.find(({ id }) => id === lotOfCode(text)) : undefined;
    if (found) {
      setLotId(found.id);
      setSays(`The code says ${found.name}.`);
    } else if (text) setSays('There is a code, but it is of no lot here.');
    else if (isLabel) setSays('No code was found in it. Closer, flat, and without glare; or choose by name.');
    return found !== undefined;
  };
  // Whoever lays the label beside the fibre has answered already.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once the lots are there, for these pictures
  useEffect(() => {
    if (!known) return;
    const look = async () => {
      for (const file of files) if (await readCode(file, false)) return;
    };
    void look();
  }, [known, files]);
  const keep = () => {
    if (lotId === null) return;
    keepPictures({ lotIds: [lotId], liquorId: null, at: null, state: null, light: null }, files).then(onClose, (error: unknown) =>
      setProblem(errorText(error)),
    );
  };
  return (
    <Modal
      open
      title={files.length === 1 ? 'Which lot does it show?' : `Which lot do the ${countText(files.length, 'picture')} show?`}
      okText="It shows that one"
      cancelText="Not now"
      okButtonProps={{ disabled: lotId === null }}
      onOk={keep}
      onCancel={onClose}
      mask={{ closable: false }}
    >
      <div className="stack">
        <p className="quiet">{files.map(({ name }) => name).join(', ')}</p>
        <Select
          aria-label="The lot that it shows"
          showSearch={{ optionFilterProp: 'label' }}
          placeholder="which lot"
          loading={lots.state === 'loading'}
          value={lotId}
          options={(known ?? []).map(({ id, name }) => ({ value: id, label: `${name} · ${id}` }))}
          onChange={(chosen) => {
            setLotId(chosen);
            setSays('');
          }}
          style={{ width: '100%' }}
        />
        <div className="line line-tight">
          <Upload
            accept={PICTURE_KINDS}
            capture="environment"
            showUploadList={false}
            beforeUpload={(label) => {
              void readCode(label, true);
              return false;
            }}
          >
            <Button disabled={!known}>Read a label’s code</Button>
          </Upload>
          <span role="status">{says}</span>
        </div>
        {lots.state === 'failed' ? <Notice kind="fault">{lots.why}</Notice> : null}
        {problem ? <Notice kind="fault">{problem}</Notice> : null}
      </div>
    </Modal>
  );
}

/** A label's code is the address of its lot, under whatever name the machine had that day. */
function lotOfCode(text: string): string | null {
  const id = /\/fibre\/([^/?#]+)/.exec(text)?.[1];
  return id === undefined ? null : decodeURIComponent(id);
}
