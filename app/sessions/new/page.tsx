import type { Metadata } from 'next';
import { NewSessionPage } from '@/ui/sessions/NewSessionPage';
import { PLANNING } from '../../asks';
import { WithData } from '../../WithData';

export const metadata: Metadata = { title: 'Plan a session' };

export default function Page() {
  return (
    <WithData ask={[...PLANNING]}>
      <NewSessionPage />
    </WithData>
  );
}
