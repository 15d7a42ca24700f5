import type { Metadata } from 'next';
import { FibrePage } from '@/ui/fibre/FibrePage';

export const metadata: Metadata = { title: 'Fibre' };

export default function Page() {
  return <FibrePage />;
}
