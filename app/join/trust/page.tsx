import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { openFront } from '@/server/doors/openDoors';
import { TrustPage } from '@/ui/join/TrustPage';

export const metadata: Metadata = { title: 'A private way in' };

export default async function Page() {
  const host = (await headers()).get('host')?.replace(/:\d+$/, '');
  const front = openFront();
  const secure = front?.listening.filter((one) => one.isSecure) ?? [];
  const here = secure.find((one) => new URL(one.url).hostname === host) ?? secure[0];
  return <TrustPage fingerprint={front?.authority?.fingerprint ?? null} secureUrl={here?.url ?? null} />;
}
