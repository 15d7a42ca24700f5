'use client';
import { useRouter } from 'next/navigation';
import type { LotView } from '@/contract/views';
import { useBook } from '../api/useBook';
import { allLoaded, useLoaded } from '../api/useLoaded';
import { Notice } from '../shell/Notice';
import { TrialForm } from './TrialForm';
import type { TrialValues } from './trialDraft';

interface Props {
  /** What is known already, such as two results that differ. */
  readonly start?: Partial<TrialValues>;
  readonly onClose: () => void;
}

/** The form with all that can be chosen in it; what was made is opened. */
export function TrialMaker({ start = {}, onClose }: Props) {
  const router = useRouter();
  const loaded = allLoaded({ lots: useLoaded<LotView[]>('/lots'), book: useBook() });
  if (loaded.state === 'loading') return null;
  if (loaded.state === 'failed') return <Notice kind="fault">{loaded.why}</Notice>;
  const { lots, book } = loaded.value;
  return (
    <TrialForm
      choices={{ methods: book.methods, dyestuffs: book.dyestuffs, lots }}
      start={start}
      onMade={(trialId) => router.push(`/swatches/trials/${trialId}`)}
      onClose={onClose}
    />
  );
}
