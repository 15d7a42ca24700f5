'use client';
import { Form, Input, Segmented } from 'antd';
import { useState } from 'react';
import { lookInput } from '@/contract/looks';
import type { ColourReading, Light, LookState, Verdict } from '@/core/swatch/look';
import { keepLook } from '../api/lookBox';
import { newId } from '../api/newId';
import { nowMs } from '../api/serverClock';
import { FormSheet } from '../form/FormSheet';
import { TypedItem } from '../form/TypedItem';
import { typedValue } from '../form/typed';
import { EyeScale, eyeLab } from './EyeScale';
import { labReader } from './labReader';
import { BLED, DEPTH, EVEN, LIGHT, STATE, STRENGTH } from './lookWords';
import { OneTap } from './OneTap';
import type { LookOf } from './PictureButton';

interface Values {
  readonly id: string;
  readonly state: LookState | null;
  readonly light: Light | null;
  readonly depth: Verdict['depth'] | null;
  readonly strength: Verdict['strength'] | null;
  readonly even: Verdict['even'] | null;
  readonly bled: Verdict['bled'] | null;
  readonly next: string;
  readonly how: 'none' | 'typed' | 'eye';
  readonly typed: string;
  readonly eye: string;
  readonly part: string;
  readonly note: string;
}

function colourOf({ how, typed, eye }: Values): ColourReading | null {
  const lab = how === 'typed' ? typedValue(labReader(), typed) : how === 'eye' ? eyeLab(eye) : null;
  return lab && how !== 'none' ? { lab, by: { kind: how } } : null;
}

interface Props {
  readonly of: LookOf;
  /** What it is of, in words. */
  readonly title: string;
  readonly onClose: () => void;
  readonly onKept?: () => void;
}

/** How it came out, in a few taps; a colour where there is one, and always how it was got. */
export function LookForm({ of, title, onClose, onKept }: Props) {
  const [id] = useState(newId);
  const first: Values = {
    id,
    state: of.state,
    light: of.light,
    depth: null,
    strength: null,
    even: null,
    bled: null,
    next: '',
    how: 'none',
    typed: '',
    eye: '',
    part: '',
    note: '',
  };
  return (
    <FormSheet<Values>
      name={`look-${of.at ? `${of.at.runId}-${of.at.stepId}` : of.lotIds.join('-')}`}
      title={title}
      first={first}
      body={(values) => ({
        id: values.id,
        lotIds: of.lotIds,
        liquorId: of.liquorId,
        at: of.at,
        part: values.part.trim() || null,
        state: values.state,
        light: values.light,
        pictures: [],
        colour: colourOf(values),
        verdict: {
          depth: values.depth ?? undefined,
          strength: values.strength ?? undefined,
          even: values.even ?? undefined,
          bled: values.bled ?? undefined,
          ...(values.next.trim() ? { next: values.next.trim() } : {}),
        },
        note: values.note.trim(),
        atMs: Math.round(nowMs()),
      })}
      schema={lookInput.refine(
        ({ colour, note, verdict }) => colour !== null || note !== '' || Object.values(verdict).some((word) => word !== undefined),
        'Tap or write at least one thing.',
      )}
      places={{ 'colour.lab': 'typed' }}
      send={(body) => keepLook({ input: body as Parameters<typeof keepLook>[0]['input'], files: [] })}
      onDone={() => {
        onKept?.();
        onClose();
      }}
      onClose={onClose}
    >
      {({ how }) => (
        <>
          <Pick name="state" label="It is" words={STATE} />
          <Pick name="depth" label="The depth is" words={DEPTH} />
          <Pick name="strength" label="The colour is" words={STRENGTH} />
          <Pick name="even" label="It took" words={EVEN} />
          <Pick name="bled" label="Did it bleed?" words={BLED} />
          <Form.Item name="how" label="Its colour">
            <Segmented
              options={[
                { value: 'none', label: 'not now' },
                { value: 'eye', label: 'by eye' },
                { value: 'typed', label: 'typed' },
              ]}
            />
          </Form.Item>
          {how === 'typed' ? (
            <TypedItem
              name="typed"
              label="L a b, or a hex"
              read={labReader}
              required="Write the colour, or choose “not now”."
              placeholder="72.4 3.1 51.9, or #c9a23a"
            />
          ) : null}
          {how === 'eye' ? (
            <Form.Item
              name="eye"
              label="The drawn colour that comes nearest, by daylight"
              rules={[{ required: true, message: 'Tap the nearest one, or choose “not now”.' }]}
            >
              <EyeScale />
            </Form.Item>
          ) : null}
          {how === 'none' ? null : <Pick name="light" label="Seen by" words={LIGHT} />}
          <div className="fields">
            <Form.Item name="part" label="Which part">
              <Input maxLength={60} placeholder="all of it" />
            </Form.Item>
            <Form.Item name="next" label="What next">
              <Input maxLength={200} placeholder="once more with twice the leaf" />
            </Form.Item>
          </div>
          <Form.Item name="note" label="Note">
            <Input.TextArea autoSize={{ minRows: 2 }} />
          </Form.Item>
        </>
      )}
    </FormSheet>
  );
}

function Pick({ name, label, words }: { name: keyof Values; label: string; words: Readonly<Record<string, string>> }) {
  return (
    <Form.Item name={name} label={label}>
      <OneTap words={words} />
    </Form.Item>
  );
}
