import type { Metadata } from 'next';
import { LotPage } from '@/ui/fibre/LotPage';
import { WithData } from '../../WithData';

export const metadata: Metadata = { title: 'Lot' };

export default async function Page({ params }: { params: Promise<{ lotId: string }> }) {
  const { lotId } = await params;
  return (
    <WithData ask={[`/lots/${lotId}`, `/lots/${lotId}/looks`, `/fastness?lotId=${lotId}`]}>
      <LotPage lotId={lotId} />
    </WithData>
  );
}
