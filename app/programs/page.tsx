import type { Metadata } from 'next';
import { openApiDocument } from '@/contract/openapi';
import { operationsIn } from '@/contract/operations';
import { ProgramsPage } from '@/ui/programs/ProgramsPage';

export const metadata: Metadata = { title: 'For programs' };

export default function Page() {
  return <ProgramsPage operations={operationsIn(openApiDocument())} />;
}
