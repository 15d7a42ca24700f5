import type { Metadata } from 'next';
import { StovePage } from '@/ui/stove/StovePage';
import { WithData } from '../../WithData';

export const metadata: Metadata = { title: 'Stove' };

export default async function Page({ params }: { params: Promise<{ runId: string }> }) {
  const { runId } = await params;
  return (
    <WithData ask={[`/runs/${runId}`, `/looks?runId=${runId}`, '/vessels', '/stays', '/pots/heat']}>
      <StovePage runId={runId} />
    </WithData>
  );
}
