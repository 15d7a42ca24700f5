import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { openFront } from '@/server/doors/openDoors';
import { JoinPage } from '@/ui/join/JoinPage';

export const metadata: Metadata = { title: 'Join' };

export default async function Page({ searchParams }: { searchParams: Promise<{ out?: string }> }) {
  const asked = await headers();
  const host = asked.get('host')?.replace(/:\d+$/, '');
  const secure = openFront()?.listening.find((one) => one.isSecure && new URL(one.url).hostname === host);
  return (
    <JoinPage
      isIn={asked.get('x-hyndle-by') !== 'stranger'}
      isOut={(await searchParams).out !== undefined}
      isSecure={asked.get('x-hyndle-secure') === 'yes'}
      secureUrl={secure?.url ?? null}
    />
  );
}
