'use client';
import { Modal, Segmented } from 'antd';
import { useState } from 'react';
import type { Plan } from '@/core/plan/plan';
import { ByHand } from '../practice/ByHand';
import { ManyTimes, TIMES } from './ManyTimes';

/** A plan tried out before it is started: by dyers of one's choosing, or by one's own hand. Nothing of it is kept. */
export function Rehearse({ plan, onClose }: { plan: Plan; onClose: () => void }) {
  const [how, setHow] = useState<'times' | 'hand'>('times');
  return (
    <Modal open title="Rehearse it" width={680} footer={null} onCancel={onClose} destroyOnHidden>
      <div className="stack">
        <Segmented
          aria-label="How to rehearse"
          value={how}
          options={[
            { value: 'times', label: `${TIMES} times over` },
            { value: 'hand', label: 'By hand' },
          ]}
          onChange={setHow}
          style={{ alignSelf: 'flex-start' }}
        />
        {how === 'hand' ? <ByHand plan={plan} /> : <ManyTimes plan={plan} />}
      </div>
    </Modal>
  );
}
