import type { Metadata } from 'next';
import { WeighOutPage } from '@/ui/sessions/WeighOutPage';
import { WithData } from '../../../WithData';

export const metadata: Metadata = { title: 'Weigh out' };

export default async function Page({ params }: { params: Promise<{ sessionId: string }> }) {
  const { sessionId } = await params;
  return (
    <WithData ask={[`/sessions/${sessionId}/weigh-out`, `/sessions/${sessionId}/shopping`, '/stock']}>
      <WeighOutPage sessionId={sessionId} />
    </WithData>
  );
}
