import type { Metadata } from 'next';
import { LotPage } from '@/ui/fibre/LotPage';

export const metadata: Metadata = { title: 'Lot' };

export default async function Page({ params }: { params: Promise<{ lotId: string }> }) {
  const { lotId } = await params;
  return <LotPage lotId={lotId} />;
}
