'use client';
import Link from 'next/link';
import type { BathPage } from '@/contract/baths';
import { useLoaded } from '../api/useLoaded';
import { usePrint } from '../shell/facts';

/** What a kept bath will still give, where one plans with it: a second load comes out paler, and that is known now. */
export function StrengthLeft({ liquorId }: { liquorId: string }) {
  const print = usePrint();
  const loaded = useLoaded<BathPage>(`/baths/${liquorId}`);
  if (loaded.state !== 'ready') return null;
  const { liquor, strength } = loaded.value;
  return (
    <p className="quiet">
      {strength ? print.says(strength.says) : 'What it still gives nobody knows.'} <Link href={`/shelf/baths/${liquorId}`}>{liquor.name}</Link>
    </p>
  );
}
