import type { Metadata } from 'next';
import { FibrePage } from '@/ui/fibre/FibrePage';
import { WithData } from '../WithData';

export const metadata: Metadata = { title: 'Fibre' };

export default function Page() {
  return (
    <WithData ask={['/lots']}>
      <FibrePage />
    </WithData>
  );
}
