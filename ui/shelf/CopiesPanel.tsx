'use client';
import { DownloadOutlined, UploadOutlined } from '@ant-design/icons';
import { Button, Upload } from 'antd';
import { useState } from 'react';
import { LinkButton } from '../shell/LinkButton';
import { later } from '../shell/later';
import { Panel } from '../shell/Page';
import { SaveAs } from '../shell/SaveAs';

const TakeIn = later(() => import('./TakeIn').then((module) => module.TakeIn));

/** Everything in one file, out and in. */
export function CopiesPanel() {
  const [file, setFile] = useState<File | null>(null);
  return (
    <Panel label="Copies">
      <div className="line">
        <h2 className="head-plain">Copies</h2>
        <span className="grow" />
        <SaveAs
          label="Save tables"
          files={[
            { label: 'All fibre, as a table', path: '/lots.csv', kind: 'table' },
            { label: 'What is on the shelf, as a table', path: '/shelf.csv', kind: 'table' },
          ]}
        />
        <LinkButton href="/programs">For programs</LinkButton>
        <Button href="/api/v1/archive" download icon={<DownloadOutlined aria-hidden="true" />}>
          Save everything as one file
        </Button>
        <Upload
          accept=".zip,application/zip"
          showUploadList={false}
          beforeUpload={(chosen) => {
            setFile(chosen);
            return false;
          }}
        >
          <Button icon={<UploadOutlined aria-hidden="true" />}>Take a saved file in</Button>
        </Upload>
      </div>
      <p className="quiet">
        A copy is made by itself once a day and kept with the data: of seven days, four weeks, twelve months. Keep one elsewhere now and then.
      </p>
      {file ? <TakeIn file={file} onClose={() => setFile(null)} /> : null}
    </Panel>
  );
}
