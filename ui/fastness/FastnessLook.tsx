'use client';
import { useState } from 'react';
import { z } from 'zod';
import { lookInput } from '@/contract/looks';
import type { FastnessView } from '@/contract/views';
import { FASTNESS_PARTS } from '@/core/fastness/parts';
import { keepLook } from '../api/lookBox';
import { newId } from '../api/newId';
import { FormSheet } from '../form/FormSheet';
import { TypedItem } from '../form/TypedItem';
import { typedValue } from '../form/typed';
import { labReader } from '../look/labReader';
import { plainLook } from '../look/PictureButton';

type Values = Readonly<Record<string, string>>;
const schema = z.object({ looks: z.array(lookInput) });

/** One look at a test: a colour for each part, all at once, in one light. */
export function FastnessLook({ view: { test, lot }, onClose }: { view: FastnessView; onClose: () => void }) {
  const { tested, kept, cloth } = FASTNESS_PARTS[test.kind];
  const parts = [tested, kept, ...(cloth ?? [])];
  const [ids] = useState(() => parts.map(newId));
  return (
    <FormSheet<Values>
      name={`fastness-look-${test.id}`}
      title={`${lot}: the ${test.kind} test`}
      first={Object.fromEntries(parts.map((_, i) => [`part${i}`, '']))}
      body={(values) => ({
        looks: parts.flatMap((part, i) => {
          const lab = typedValue(labReader(), values[`part${i}`] ?? '');
          const look = plainLook({ lotIds: [test.lotId], liquorId: null, at: null, state: 'dry', light: null });
          return lab ? [{ ...look, id: ids[i], part, colour: { lab, by: { kind: 'typed' } } }] : [];
        }),
      })}
      schema={schema}
      send={async (sent) => {
        for (const look of (sent as z.infer<typeof schema>).looks) await keepLook({ input: look as Parameters<typeof keepLook>[0]['input'], files: [] });
      }}
      onDone={onClose}
      onClose={onClose}
    >
      {() => (
        <>
          <p className="quiet">All of them in one light, dry. A hex off a picture will do, as long as all come off the same one.</p>
          {parts.map((part, i) => (
            <TypedItem
              key={part}
              name={`part${i}`}
              label={part}
              read={labReader}
              placeholder="72.4 3.1 51.9, or #c9a23a"
              {...(i < 2 ? { required: 'Both are needed: one is held against the other.' } : {})}
            />
          ))}
        </>
      )}
    </FormSheet>
  );
}
