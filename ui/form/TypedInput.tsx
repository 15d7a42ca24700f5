'use client';
import { Input, type InputProps } from 'antd';
import { useId, useState } from 'react';
import { Steady } from '../shell/Steady';
import type { Reader } from './typed';

interface Props extends Omit<InputProps, 'value' | 'onChange'> {
  readonly value?: string;
  readonly onChange?: (text: string) => void;
  readonly read: Reader<unknown>;
  /** Pressed Enter, or left the field. */
  readonly onDone?: () => void;
  /** A form says faults aloud by itself, when it is sent. */
  readonly inForm?: boolean;
  /** The form says the fault under the field already. */
  readonly isTold?: boolean;
  /** Stands under the field while there is nothing to say about what is typed. */
  readonly hint?: string | undefined;
  /** Said by somebody else than the reader: the server, or a rule that looks at more than this text. */
  readonly fault?: string | null | undefined;
}

/** A text that is read as a figure: what was understood stands under it while one types, and what was not, once one is done. */
export function TypedInput({ value = '', onChange, read, onDone, inForm = false, isTold = false, hint = '', fault = null, ...rest }: Props) {
  // What stood there before anybody typed is pointed out at once; what is being typed, when it is done.
  const [left, setLeft] = useState(true);
  const saysId = useId();
  const got = read(value);
  const wrong = fault ?? (left && !got.ok ? got.why : null);
  const done = () => {
    setLeft(true);
    onDone?.();
  };
  return (
    <>
      <Input
        {...rest}
        value={value}
        status={wrong ? 'error' : ''}
        aria-invalid={wrong ? true : undefined}
        aria-describedby={saysId}
        autoComplete="off"
        onChange={(event) => {
          setLeft(false);
          onChange?.(event.target.value);
        }}
        onBlur={done}
        onPressEnter={done}
      />
      {/* Leaving a field by a tap elsewhere moves nothing under that tap. */}
      <Steady>
        <div id={saysId} className="small" style={{ minHeight: '1.45em' }}>
          {wrong && !isTold ? (
            <span className="fault" role={inForm ? undefined : 'alert'}>
              {wrong}
            </span>
          ) : got.ok ? (
            <span className="quiet">{got.says || hint}</span>
          ) : null}
        </div>
      </Steady>
    </>
  );
}
