'use client';
import { Button, Modal, Upload } from 'antd';
import { useState } from 'react';
import type { Lab } from '@/core/colour/lab';
import { MarkedPicture, type ReadColour } from './MarkedPicture';
import { PICTURE_KINDS } from './pictureFiles';

interface Props {
  readonly title: string;
  readonly okText: string;
  readonly onColour: (lab: Lab) => void;
  readonly onClose: () => void;
}

/** A colour read off a picture of this device, which is not kept. */
export function OffPicture({ title, okText, onColour, onClose }: Props) {
  const [file, setFile] = useState<File | null>(null);
  const [read, setRead] = useState<ReadColour | null>(null);
  return (
    <Modal
      open
      title={title}
      width={800}
      style={{ top: 24 }}
      okText={okText}
      cancelText="Not now"
      okButtonProps={{ disabled: !read }}
      onOk={() => read && onColour(read.lab)}
      onCancel={onClose}
    >
      <div className="stack">
        <Upload
          accept={PICTURE_KINDS}
          showUploadList={false}
          beforeUpload={(chosen) => {
            setFile(chosen);
            return false;
          }}
        >
          <Button>{file ? 'Another picture' : 'Choose a picture'}</Button>
        </Upload>
        {file ? (
          <MarkedPicture key={`${file.name} ${file.lastModified}`} from={file} onRead={setRead} />
        ) : (
          <p className="quiet">A cloth, a leaf, a page: touch the colour that you are after. The picture is not kept.</p>
        )}
      </div>
    </Modal>
  );
}
