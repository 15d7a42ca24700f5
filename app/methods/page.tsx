import type { Metadata } from 'next';
import { MethodsPage } from '@/ui/methods/MethodsPage';
import { WithData } from '../WithData';

export const metadata: Metadata = { title: 'Methods' };

export default function Page() {
  return (
    <WithData ask={['/methods']}>
      <MethodsPage />
    </WithData>
  );
}
