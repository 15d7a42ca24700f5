import type { Metadata } from 'next';
import { TrialsPage } from '@/ui/trials/TrialsPage';
import { WithData } from '../../WithData';

export const metadata: Metadata = { title: 'Trials' };

export default function Page() {
  return (
    <WithData ask={['/trials']}>
      <TrialsPage />
    </WithData>
  );
}
