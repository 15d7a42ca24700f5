'use client';
import { DownloadOutlined } from '@ant-design/icons';
import { Button, Popover, Segmented } from 'antd';
import { useEffect, useState } from 'react';
import type { Decimal } from '@/core/sheets/sheet';

/** One file that can be saved: a table for a spreadsheet, JSON for a program, or a palette. */
export interface SavedFile {
  readonly label: string;
  /** Below /api/v1. */
  readonly path: string;
  readonly kind: 'table' | 'json' | 'palette';
}

const KEY = 'hyndle.decimal';

/** What a page shows, as files in open forms. */
export function SaveAs({ files, label = 'Save as a file' }: { files: readonly SavedFile[]; label?: string }) {
  const [decimal, setDecimal] = useState<Decimal>('dot');
  useEffect(() => {
    if (localStorage.getItem(KEY) === 'comma') setDecimal('comma');
  }, []);
  const choose = (value: Decimal) => {
    setDecimal(value);
    localStorage.setItem(KEY, value);
  };
  const tables = files.filter(({ kind }) => kind === 'table');
  return (
    <Popover
      trigger="click"
      placement="bottomRight"
      content={
        <div className="stack stack-tight">
          {files.map(({ label: says, path, kind }) => (
            <Button
              key={path}
              href={`/api/v1${path}${kind === 'table' ? `?decimal=${decimal}` : ''}`}
              download={kind === 'json' ? `${path.slice(1).replaceAll('/', '-')}.json` : true}
              block
              style={{ justifyContent: 'flex-start' }}
            >
              {says}
            </Button>
          ))}
          {tables.length > 0 ? (
            <>
              <span className="quiet small" id="save-decimal">
                My spreadsheet writes
              </span>
              <Segmented<Decimal>
                aria-labelledby="save-decimal"
                value={decimal}
                onChange={choose}
                options={[
                  { value: 'dot', label: '82.5' },
                  { value: 'comma', label: '82,5' },
                ]}
              />
            </>
          ) : null}
        </div>
      }
    >
      <Button icon={<DownloadOutlined aria-hidden="true" />}>{label}</Button>
    </Popover>
  );
}
