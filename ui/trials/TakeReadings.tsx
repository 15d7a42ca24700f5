'use client';
import { UploadOutlined } from '@ant-design/icons';
import { Button, Modal, Table, Upload } from 'antd';
import { useRef, useState } from 'react';
import type { TrialView } from '@/contract/views';
import { hexOfLab } from '@/core/colour/lab';
import { countText } from '@/core/measure/print';
import { type Incoming, readTrialTable, type TakenIn } from '@/core/trial/takeIn';
import { errorText, post } from '../api/http';
import { Patch } from '../look/Patch';
import { plainLook } from '../look/PictureButton';
import { Notice } from '../shell/Notice';

const MOST_BYTES = 512 * 1024;

type Sent = ReturnType<typeof lookOf>;
const lookOf = ({ lotId, lab, state }: Incoming) => ({
  ...plainLook({ lotIds: [lotId], liquorId: null, at: null, state, light: null }),
  colour: { lab, by: { kind: 'typed' as const } },
  note: 'from a table',
});

type State =
  | { readonly kind: 'choose' }
  | { readonly kind: 'shown'; readonly name: string; readonly taken: TakenIn; readonly looks: readonly Sent[] }
  | { readonly kind: 'sending'; readonly done: number; readonly of: number }
  | { readonly kind: 'there'; readonly lookIds: readonly string[] }
  | { readonly kind: 'back'; readonly count: number };

/** Colours out of a spreadsheet: shown before anything is kept, and taken back where that was wrong. */
export function TakeReadings({ view, onClose }: { view: TrialView; onClose: () => void }) {
  const [state, setState] = useState<State>({ kind: 'choose' });
  const [problem, setProblem] = useState<string | null>(null);
  const stopped = useRef(false);
  const choose = async (file: File) => {
    setProblem(null);
    if (file.size > MOST_BYTES) return setProblem('A table of a trial is at most 512 kB. This one is longer.');
    const read = readTrialTable(await file.text(), view.pieces);
    if (read.ok) setState({ kind: 'shown', name: file.name, taken: read.value, looks: read.value.rows.map(lookOf) });
    else setProblem(`${file.name}: ${read.error}`);
  };
  const keep = async (shown: Extract<State, { kind: 'shown' }>) => {
    setProblem(null);
    stopped.current = false;
    const { looks } = shown;
    const lookIds: string[] = [];
    try {
      for (const look of looks) {
        if (stopped.current) break;
        setState({ kind: 'sending', done: lookIds.length, of: looks.length });
        await post('/looks', look);
        lookIds.push(look.id);
      }
      setState({ kind: 'there', lookIds });
    } catch (error) {
      // Sent again they are the same looks: one whose answer was lost is kept once.
      setProblem(`${errorText(error)} ${lookIds.length} of ${countText(looks.length, 'colour')} are there. Keep them again, and the rest follows.`);
      setState(shown);
    }
  };
  const takeBack = async (lookIds: readonly string[]) => {
    setProblem(null);
    const left = [...lookIds];
    try {
      for (let id = left[0]; id !== undefined; id = left[0]) {
        await post(`/looks/${id}/withdraw`, { reason: 'taken in from a table, and taken back', revision: 1 });
        left.shift();
      }
      setState({ kind: 'back', count: lookIds.length });
    } catch (error) {
      setProblem(errorText(error));
      setState({ kind: 'there', lookIds: left });
    }
  };
  return (
    <Modal open title="Take colours in from a table" footer={null} onCancel={onClose} width={640}>
      <div className="stack">
        {problem ? <Notice kind="fault">{problem}</Notice> : null}
        {state.kind === 'choose' ? (
          <>
            <p>
              The table as it is saved here, filled in a spreadsheet and saved as CSV. A line is told by its code; its colour stands in L*, a* and b*, or as a
              hex in sRGB.
            </p>
            <Upload
              accept=".csv,.tsv,.txt,text/csv"
              showUploadList={false}
              beforeUpload={(file) => {
                void choose(file);
                return false;
              }}
            >
              <Button icon={<UploadOutlined aria-hidden="true" />}>Choose a table</Button>
            </Upload>
          </>
        ) : null}
        {state.kind === 'shown' ? <Shown taken={state.taken} name={state.name} onKeep={() => void keep(state)} /> : null}
        {state.kind === 'sending' ? (
          <div className="line line-tight">
            <span role="status">
              {state.done} of {countText(state.of, 'colour')} kept …
            </span>
            <Button
              onClick={() => {
                stopped.current = true;
              }}
            >
              Stop
            </Button>
          </div>
        ) : null}
        {state.kind === 'there' ? (
          <div className="line line-tight" role="status">
            <span>{countText(state.lookIds.length, 'colour')} taken in.</span>
            {state.lookIds.length > 0 ? <Button onClick={() => void takeBack(state.lookIds)}>Take them back</Button> : null}
            <Button type="primary" onClick={onClose}>
              Done
            </Button>
          </div>
        ) : null}
        {state.kind === 'back' ? <p role="status">{countText(state.count, 'colour')} taken back. They stay in the log of their pieces, struck out.</p> : null}
      </div>
    </Modal>
  );
}

function Shown({ taken: { rows, same, faults }, name, onKeep }: { taken: TakenIn; name: string; onKeep: () => void }) {
  return (
    <>
      <p>
        {name}: {countText(rows.length, 'new colour')}; {countText(same, 'line')} that {same === 1 ? 'says' : 'say'} nothing new.
      </p>
      {faults.length > 0 ? (
        <Notice kind="fault">
          <ul>
            {faults.map(({ line, says }) => (
              <li key={line}>
                Line {line}: {says}
              </li>
            ))}
          </ul>
        </Notice>
      ) : null}
      {rows.length > 0 ? (
        <>
          <Table<Incoming>
            size="small"
            virtual
            pagination={false}
            rowKey="code"
            dataSource={rows}
            scroll={{ y: 300, x: 560 }}
            columns={[
              { title: 'Code', dataIndex: 'code', width: 90 },
              { title: 'Colour', width: 140, render: (_value, row) => <Patch hex={hexOfLab(row.lab)} sizePx={22} /> },
              {
                title: 'L* a* b*',
                render: (_value, { lab }) => <span className="figure">{[lab.l, lab.a, lab.b].map((value) => value.toFixed(1)).join('  ')}</span>,
              },
              { title: 'Fibre was', dataIndex: 'state', width: 110 },
            ]}
          />
          <Button type="primary" style={{ alignSelf: 'flex-start' }} onClick={onKeep}>
            Keep {countText(rows.length, 'colour')}
          </Button>
        </>
      ) : null}
    </>
  );
}
