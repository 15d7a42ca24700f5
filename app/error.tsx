'use client';
import { FailedPage } from '@/ui/shell/FailedPage';

/** What not even a part's own guard caught: the rail stays, and the page can be tried again. */
export default function Fault({ error, reset }: { error: Error; reset: () => void }) {
  return (
    <FailedPage
      title="This page"
      why={`It ran into a fault, which is not your doing; nothing that was stored is lost. (${error.message.slice(0, 160)})`}
      retry={reset}
    />
  );
}
