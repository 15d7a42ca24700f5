'use client';
import { useMemo } from 'react';
import { countText } from '@/core/measure/print';
import { gapsOf } from '@/core/plan/gaps';
import type { Plan } from '@/core/plan/plan';
import { Trade } from '../shell/Help';
import { Open } from '../shell/Open';

/** What nobody knows of a plan, in one list: what each gap changes and how to close it. */
export function Gaps({ plan }: { plan: Plan }) {
  const gaps = useMemo(() => gapsOf(plan), [plan]);
  if (gaps.length === 0) return null;
  return (
    <Open title={`What nobody knows yet: ${countText(gaps.length, 'thing')}`}>
      <ul className="stack">
        {gaps.map((gap) => (
          <li key={gap.key}>
            <strong>{gap.what}</strong>
            <p className="small">
              <Trade>{gap.changes}</Trade> <span className="quiet">{gap.close}</span>
            </p>
          </li>
        ))}
      </ul>
    </Open>
  );
}
