import type { Metadata } from 'next';
import { SessionPage } from '@/ui/sessions/SessionPage';
import { WithData } from '../../WithData';

export const metadata: Metadata = { title: 'Plan' };

interface Props {
  readonly params: Promise<{ sessionId: string }>;
  readonly searchParams: Promise<{ plan?: string }>;
}

export default async function Page({ params, searchParams }: Props) {
  const { sessionId } = await params;
  const asked = Number((await searchParams).plan);
  const version = Number.isInteger(asked) && asked > 0 ? asked : null;
  return (
    <WithData ask={[version === null ? `/sessions/${sessionId}` : `/sessions/${sessionId}/plans/${version}`, '/stays']}>
      <SessionPage sessionId={sessionId} version={version} />
    </WithData>
  );
}
