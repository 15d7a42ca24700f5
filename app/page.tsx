import type { Metadata } from 'next';
import { NowPage } from '@/ui/now/NowPage';
import { WithData } from './WithData';

export const metadata: Metadata = { title: 'Now' };

export default function Page() {
  return (
    <WithData ask={['/runs/running', '/sessions', '/fastness', '/baths', '/pots/heat', '/health', '/home']}>
      <NowPage />
    </WithData>
  );
}
