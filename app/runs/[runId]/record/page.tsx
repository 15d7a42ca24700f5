import type { Metadata } from 'next';
import { RecordPage } from '@/ui/record/RecordPage';

export const metadata: Metadata = { title: 'Record' };

export default async function Page({ params }: { params: Promise<{ runId: string }> }) {
  const { runId } = await params;
  return <RecordPage runId={runId} />;
}
