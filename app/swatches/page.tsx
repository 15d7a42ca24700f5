import type { Metadata } from 'next';
import { SwatchesPage } from '@/ui/swatches/SwatchesPage';
import { WithData } from '../WithData';

export const metadata: Metadata = { title: 'Swatches' };

export default function Page() {
  return (
    <WithData ask={['/swatches']}>
      <SwatchesPage />
    </WithData>
  );
}
