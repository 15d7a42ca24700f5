import type { Metadata } from 'next';
import { ShelfPage } from '@/ui/shelf/ShelfPage';

export const metadata: Metadata = { title: 'Shelf' };

export default function Page() {
  return <ShelfPage />;
}
