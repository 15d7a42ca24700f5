import type { Metadata } from 'next';
import { ChangeSessionPage } from '@/ui/sessions/ChangeSessionPage';

export const metadata: Metadata = { title: 'Change the plan' };

export default async function Page({ params }: { params: Promise<{ sessionId: string }> }) {
  const { sessionId } = await params;
  return <ChangeSessionPage sessionId={sessionId} />;
}
