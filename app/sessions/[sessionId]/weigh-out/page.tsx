import type { Metadata } from 'next';
import { WeighOutPage } from '@/ui/sessions/WeighOutPage';

export const metadata: Metadata = { title: 'Weigh out' };

export default async function Page({ params }: { params: Promise<{ sessionId: string }> }) {
  const { sessionId } = await params;
  return <WeighOutPage sessionId={sessionId} />;
}
