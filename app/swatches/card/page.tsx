import type { Metadata } from 'next';
import { SampleCardPage } from '@/ui/swatches/SampleCardPage';
import { WithData } from '../../WithData';

export const metadata: Metadata = { title: 'Sample card' };

export default function Page() {
  return (
    <WithData ask={['/swatches']}>
      <SampleCardPage />
    </WithData>
  );
}
