import type { Metadata } from 'next';
import { FIRST_SWATCHES } from '@/ui/swatches/firstSwatches';
import { SwatchesPage } from '@/ui/swatches/SwatchesPage';
import { WithData } from '../WithData';

export const metadata: Metadata = { title: 'Swatches' };

export default function Page() {
  return (
    <WithData ask={[FIRST_SWATCHES]}>
      <SwatchesPage />
    </WithData>
  );
}
