import type { Metadata } from 'next';
import { NowPage } from '@/ui/now/NowPage';

export const metadata: Metadata = { title: 'Now' };

export default function Page() {
  return <NowPage />;
}
