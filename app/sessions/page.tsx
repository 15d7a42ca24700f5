import type { Metadata } from 'next';
import { SessionsPage } from '@/ui/sessions/SessionsPage';
import { WithData } from '../WithData';

export const metadata: Metadata = { title: 'Sessions' };

export default function Page() {
  return (
    <WithData ask={['/sessions']}>
      <SessionsPage />
    </WithData>
  );
}
