'use client';
import { Button, Form } from 'antd';
import type { LearntWater } from '@/core/chem/learnWater';
import { countText } from '@/core/measure/print';
import { useLoaded } from '../api/useLoaded';
import { hardnessText } from '../form/hardnessReader';

/** What one's own strips say of the tap, offered where its water is set: nothing is reckoned with before somebody takes it. */
export function LearntOfWater() {
  const form = Form.useFormInstance();
  const learnt = useLoaded<LearntWater | null>('/water/learnt');
  if (learnt.state !== 'ready' || !learnt.value) return null;
  const { alkalinityMgL, n } = learnt.value;
  const range = { least: alkalinityMgL.low, most: alkalinityMgL.high };
  return (
    <div className="line" style={{ gridColumn: '1 / -1' }}>
      <p>
        Your own strips say about {hardnessText(alkalinityMgL.likely)} of alkalinity, {hardnessText(range)}, by {countText(n, 'bath')} of plain water with a
        measured dose of acid.
      </p>
      <Button onClick={() => form.setFieldValue('alkalinityText', `${range.least}–${range.most} mg/L`)}>Take it over</Button>
    </div>
  );
}
