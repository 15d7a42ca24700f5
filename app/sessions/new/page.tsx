import type { Metadata } from 'next';
import { NewSessionPage } from '@/ui/sessions/NewSessionPage';

export const metadata: Metadata = { title: 'Plan a session' };

export default function Page() {
  return <NewSessionPage />;
}
