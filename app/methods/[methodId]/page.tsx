import type { Metadata } from 'next';
import { MethodPage } from '@/ui/methods/MethodPage';

export const metadata: Metadata = { title: 'Method' };

export default async function Page({ params }: { params: Promise<{ methodId: string }> }) {
  const { methodId } = await params;
  return <MethodPage methodId={methodId} />;
}
