import type { Metadata } from 'next';
import { BathPage } from '@/ui/baths/BathPage';
import { WithData } from '../../../WithData';

export const metadata: Metadata = { title: 'Bath' };

export default async function Page({ params }: { params: Promise<{ liquorId: string }> }) {
  const { liquorId } = await params;
  return (
    <WithData ask={[`/baths/${liquorId}`, `/looks?liquorId=${liquorId}`]}>
      <BathPage liquorId={liquorId} />
    </WithData>
  );
}
