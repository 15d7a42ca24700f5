import type { Metadata } from 'next';
import { BenchPage } from '@/ui/bench/BenchPage';
import { BOOK } from '../asks';
import { WithData } from '../WithData';

export const metadata: Metadata = { title: 'Bench' };

export default function Page() {
  return (
    <WithData ask={[...BOOK]}>
      <BenchPage />
    </WithData>
  );
}
