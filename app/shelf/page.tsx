import type { Metadata } from 'next';
import { ShelfPage } from '@/ui/shelf/ShelfPage';
import { BOOK } from '../asks';
import { WithData } from '../WithData';

export const metadata: Metadata = { title: 'Shelf' };

export default function Page() {
  return (
    <WithData ask={[...BOOK, '/vessels', '/water/learnt']}>
      <ShelfPage />
    </WithData>
  );
}
