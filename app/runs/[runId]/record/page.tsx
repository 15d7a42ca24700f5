import type { Metadata } from 'next';
import { RecordPage } from '@/ui/record/RecordPage';
import { WithData } from '../../../WithData';

export const metadata: Metadata = { title: 'Record' };

export default async function Page({ params }: { params: Promise<{ runId: string }> }) {
  const { runId } = await params;
  return (
    <WithData ask={[`/runs/${runId}`, `/runs/${runId}/record`, `/swatches?runId=${runId}`]}>
      <RecordPage runId={runId} />
    </WithData>
  );
}
