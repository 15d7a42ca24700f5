import type { Metadata } from 'next';
import { SessionPage } from '@/ui/sessions/SessionPage';

export const metadata: Metadata = { title: 'Plan' };

interface Props {
  readonly params: Promise<{ sessionId: string }>;
  readonly searchParams: Promise<{ plan?: string }>;
}

export default async function Page({ params, searchParams }: Props) {
  const { sessionId } = await params;
  const version = Number((await searchParams).plan);
  return <SessionPage sessionId={sessionId} version={Number.isInteger(version) && version > 0 ? version : null} />;
}
