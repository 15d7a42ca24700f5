'use client';
import { UploadOutlined } from '@ant-design/icons';
import { Button, Modal, Upload } from 'antd';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Method } from '@/core/method/method';
import { errorText, post, Refused } from '../api/http';
import { newId } from '../api/newId';
import { Notice } from '../shell/Notice';

const MAX_BYTES = 256 * 1024;

/** Takes a method file in: what is wrong with it is said line by line, and nothing of it is kept then. */
export function ImportForm({ onClose }: { onClose: () => void }) {
  const [id] = useState(newId);
  const [faults, setFaults] = useState<readonly { at: string; message: string }[]>([]);
  const [name, setName] = useState<string | null>(null);
  const router = useRouter();
  const say = (message: string) => setFaults([{ at: '', message }]);
  const take = async (file: File) => {
    setName(file.name);
    if (file.size > MAX_BYTES) return say('A method file is at most 256 kB. This one is longer.');
    let content: unknown;
    try {
      content = JSON.parse(await file.text());
    } catch {
      return say('This file is not JSON; it cannot be a method file.');
    }
    try {
      const method = await post<Method>('/methods/import', { id, file: content });
      router.push(`/methods/${method.id}`);
    } catch (error) {
      setFaults(error instanceof Refused && error.problem.errors.length > 0 ? error.problem.errors : [{ at: '', message: errorText(error) }]);
    }
  };
  return (
    <Modal open title="Take a method file in" footer={null} onCancel={onClose}>
      <div className="stack">
        <p>A method file is plain JSON, as “Save as a file” writes it. Blocked substances keep their words and lose their dose.</p>
        <Upload
          accept=".json,application/json"
          showUploadList={false}
          beforeUpload={(file) => {
            void take(file);
            return false;
          }}
        >
          <Button icon={<UploadOutlined aria-hidden="true" />}>Choose a file</Button>
        </Upload>
        {faults.length > 0 ? (
          <Notice kind="fault">
            <p>{name ? `${name}: ` : ''}nothing was taken in.</p>
            <ul>
              {faults.map((fault) => (
                <li key={`${fault.at}${fault.message}`}>
                  {fault.at ? <code>{fault.at}</code> : null} {fault.message}
                </li>
              ))}
            </ul>
          </Notice>
        ) : null}
      </div>
    </Modal>
  );
}
