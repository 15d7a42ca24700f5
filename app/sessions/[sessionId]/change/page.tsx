import type { Metadata } from 'next';
import { ChangeSessionPage } from '@/ui/sessions/ChangeSessionPage';
import { PLANNING } from '../../../asks';
import { WithData } from '../../../WithData';

export const metadata: Metadata = { title: 'Change a plan' };

export default async function Page({ params }: { params: Promise<{ sessionId: string }> }) {
  const { sessionId } = await params;
  return (
    <WithData ask={[`/sessions/${sessionId}`, ...PLANNING]}>
      <ChangeSessionPage sessionId={sessionId} />
    </WithData>
  );
}
