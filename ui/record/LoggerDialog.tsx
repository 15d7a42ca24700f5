'use client';
import { InboxOutlined } from '@ant-design/icons';
import { useQueryClient } from '@tanstack/react-query';
import { Modal, Progress, Radio, Select, Upload } from 'antd';
import { useRef, useState } from 'react';
import type { Vessel } from '@/core/kitchen/vessel';
import type { LoggerAnswers, LoggerFile } from '@/core/logger/readLogger';
import { countText } from '@/core/measure/print';
import { errorText, post } from '../api/http';
import { useLoaded } from '../api/useLoaded';
import { Field } from '../form/Field';
import { usePrint } from '../shell/facts';
import { LinkButton } from '../shell/LinkButton';
import { Notice } from '../shell/Notice';
import { useLoggerFile } from './useLoggerFile';

/** The door takes so many at a time. */
const PIECE = 5000;
const MOST_BYTES = 50 * 1024 * 1024;

interface Props {
  /** Whose clocks the file tells, where it names no zone. */
  readonly zone: string;
  /** Vessels of this run; the others come after them. */
  readonly vesselIds: readonly string[];
  readonly onClose: () => void;
}

type Sending = { readonly state: 'not' } | { readonly state: 'going'; readonly done: number } | { readonly state: 'done'; readonly count: number };

/** A logger's file: read here, shown, asked about where it does not say, and only then sent to the probe of a vessel. */
export function LoggerDialog({ zone, vesselIds, onClose }: Props) {
  const print = usePrint();
  const vessels = useLoaded<Vessel[]>('/vessels');
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [answers, setAnswers] = useState<LoggerAnswers>({ unit: null, order: null });
  const [vesselId, setVesselId] = useState<string | null>(null);
  const [sending, setSending] = useState<Sending>({ state: 'not' });
  const [problem, setProblem] = useState<string | null>(null);
  const stopped = useRef(false);
  const cache = useQueryClient();
  const read = useLoggerFile(file?.text ?? null, zone, answers);
  const able = vessels.state === 'ready' ? vessels.value.filter((vessel) => vessel.probeId) : [];
  const inOrder = [...able].sort((a, b) => Number(vesselIds.includes(b.id)) - Number(vesselIds.includes(a.id)));
  const vessel = able.find(({ id }) => id === vesselId) ?? (inOrder.length === 1 ? inOrder[0] : undefined);
  const readings = read?.ok ? read.value.readings : [];
  // A question stays while its answer is being tried.
  const isAsked = (what: keyof LoggerAnswers) => answers[what] !== null || (read?.ok === true && read.value.asks.includes(what));

  const send = async () => {
    if (!vessel?.probeId) return;
    stopped.current = false;
    setProblem(null);
    try {
      let done = 0;
      for (; done < readings.length && !stopped.current; done += PIECE) {
        setSending({ state: 'going', done });
        await post(`/probes/${encodeURIComponent(vessel.probeId)}/readings`, { readings: readings.slice(done, done + PIECE), isCorrected: true });
      }
      if (done < readings.length) {
        setSending({ state: 'not' });
        setProblem(`Stopped: ${done} of ${readings.length} readings are there. The same file again does no harm.`);
      } else setSending({ state: 'done', count: readings.length });
      // A vessel may have got its probe after the plan was made: what runs show of it is asked for again.
      await cache.invalidateQueries({ predicate: ({ queryKey }) => String(queryKey[0]).startsWith('/runs/') });
    } catch (error) {
      setSending({ state: 'not' });
      setProblem(`${errorText(error)} What was sent is there; the same file again does no harm.`);
    }
  };
  const isGoing = sending.state === 'going';
  const isDone = sending.state === 'done';
  return (
    <Modal
      open
      title="Take a logger’s readings in"
      okText={isDone ? 'Close' : 'Take them in'}
      cancelText={isGoing ? 'Stop' : 'Not now'}
      okButtonProps={{ disabled: !isDone && (readings.length === 0 || !vessel), loading: isGoing }}
      cancelButtonProps={isDone ? { style: { display: 'none' } } : {}}
      onOk={() => (isDone ? onClose() : void send())}
      onCancel={() => {
        stopped.current = true;
        if (!isGoing) onClose();
      }}
    >
      <div className="stack" aria-live="polite">
        {isDone ? (
          <p>
            {countText(sending.count, 'reading')} taken in, of {vessel?.name}. What the record says follows them.
          </p>
        ) : null}
        {isDone ? null : (
          <>
            {vessels.state === 'ready' && able.length === 0 ? (
              <Notice acts={<LinkButton href="/shelf?tab=vessels">To the vessels</LinkButton>}>
                No vessel has a probe yet. Name one at the vessel that the logger hung in: a logger is a probe too.
              </Notice>
            ) : (
              <Field label="Where it hung">
                {(id) => (
                  <Select
                    id={id}
                    value={vessel?.id ?? null}
                    placeholder="Choose the vessel"
                    options={inOrder.map((one) => ({ value: one.id, label: one.name }))}
                    onChange={(chosen: string) => setVesselId(chosen)}
                    style={{ width: '100%' }}
                  />
                )}
              </Field>
            )}
            <Upload.Dragger
              accept=".csv,.txt,.tsv,text/csv,text/plain"
              showUploadList={false}
              beforeUpload={(chosen) => {
                setProblem(null);
                if (chosen.size > MOST_BYTES) {
                  setProblem('A logger’s file is at most 50 MB. Save it from the logger in parts.');
                  return false;
                }
                setAnswers({ unit: null, order: null });
                void chosen.text().then((text) => setFile({ name: chosen.name, text }));
                return false;
              }}
            >
              <p>
                <InboxOutlined aria-hidden="true" /> {file ? file.name : 'Drop the file here, or tap to choose it'}
              </p>
              <p className="quiet small">Lines of time and temperature, however your logger writes them.</p>
            </Upload.Dragger>
            {read && !read.ok ? (
              <Notice kind="fault">
                {read.error.line === null ? '' : `Line ${read.error.line}: `}
                {read.error.message}
              </Notice>
            ) : null}
            {isAsked('unit') ? (
              <Question
                label="Its temperatures are"
                value={answers.unit}
                options={[
                  { value: 'C', label: '°C' },
                  { value: 'F', label: '°F' },
                ]}
                onChange={(unit) => setAnswers({ ...answers, unit })}
              />
            ) : null}
            {isAsked('order') ? (
              <Question
                label="A date such as 3/4 is"
                value={answers.order}
                options={[
                  { value: 'dayFirst', label: '3 April' },
                  { value: 'monthFirst', label: 'March 4' },
                ]}
                onChange={(order) => setAnswers({ ...answers, order })}
              />
            ) : null}
            {file && read?.ok && readings.length > 0 ? <p>{summary(file.name, read.value, print)}</p> : null}
            {isGoing ? <Progress percent={Math.round((100 * sending.done) / readings.length)} /> : null}
            {problem ? <Notice kind="fault">{problem}</Notice> : null}
          </>
        )}
      </div>
    </Modal>
  );
}

interface QuestionProps<Value extends string> {
  readonly label: string;
  readonly value: Value | null;
  readonly options: readonly { readonly value: Value; readonly label: string }[];
  readonly onChange: (value: Value) => void;
}

/** Asked where the file does not say; nothing is chosen before somebody does. */
function Question<Value extends string>({ label, value, options, onChange }: QuestionProps<Value>) {
  return (
    <Field label={label}>
      {(id) => <Radio.Group id={id} optionType="button" value={value} options={[...options]} onChange={(event) => onChange(event.target.value as Value)} />}
    </Field>
  );
}

function summary(name: string, { readings, left, repeated }: LoggerFile, print: ReturnType<typeof usePrint>): string {
  let [least, most] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const { bathC } of readings) [least, most] = [Math.min(least, bathC), Math.max(most, bathC)];
  const [first, last] = [readings[0], readings.at(-1)];
  const span = first && last ? `${print.date(first.atMs)} to ${print.date(last.atMs)}` : '';
  const sentences = [
    `${name}: ${countText(readings.length, 'reading')}, ${span}, from ${print.temperature(least)} to ${print.temperature(most)}.`,
    ...(left > 0 ? [`${countText(left, 'line')} without a temperature left out.`] : []),
    ...(repeated > 0 ? [`${countText(repeated, 'line')} that say a time once more left out: were the clocks put back?`] : []),
  ];
  return sentences.join(' ');
}
