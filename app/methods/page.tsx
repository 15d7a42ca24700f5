import type { Metadata } from 'next';
import { MethodsPage } from '@/ui/methods/MethodsPage';

export const metadata: Metadata = { title: 'Methods' };

export default function Page() {
  return <MethodsPage />;
}
