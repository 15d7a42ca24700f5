import type { Metadata } from 'next';
import { LabelsPage } from '@/ui/fibre/LabelsPage';
import { WithData } from '../../WithData';

export const metadata: Metadata = { title: 'Labels' };

export default function Page() {
  return (
    <WithData ask={['/lots?ended=yes']}>
      <LabelsPage />
    </WithData>
  );
}
