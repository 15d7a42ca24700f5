import type { Metadata } from 'next';
import { TrialPage } from '@/ui/trials/TrialPage';
import { BOOK } from '../../../asks';
import { WithData } from '../../../WithData';

export const metadata: Metadata = { title: 'A trial' };

export default async function Page({ params }: { params: Promise<{ trialId: string }> }) {
  const { trialId } = await params;
  return (
    <WithData ask={[...BOOK, `/trials/${encodeURIComponent(trialId)}`]}>
      <TrialPage trialId={trialId} />
    </WithData>
  );
}
