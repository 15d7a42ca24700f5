import type { Metadata } from 'next';
import { MethodPage } from '@/ui/methods/MethodPage';
import { BOOK } from '../../asks';
import { WithData } from '../../WithData';

export const metadata: Metadata = { title: 'Method' };

export default async function Page({ params }: { params: Promise<{ methodId: string }> }) {
  const { methodId } = await params;
  return (
    <WithData ask={[`/methods/${methodId}`, ...BOOK]}>
      <MethodPage methodId={methodId} />
    </WithData>
  );
}
