import type { Metadata } from 'next';
import { StovePage } from '@/ui/stove/StovePage';

export const metadata: Metadata = { title: 'Stove' };

export default async function Page({ params }: { params: Promise<{ runId: string }> }) {
  const { runId } = await params;
  return <StovePage runId={runId} />;
}
