'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { type Lighting, setLighting, useLighting } from '../theme/lighting';

const PLACES = [
  { href: '/', name: 'Now' },
  { href: '/sessions', name: 'Sessions', also: '/runs' },
  { href: '/fibre', name: 'Fibre' },
  { href: '/shelf', name: 'Shelf' },
  { href: '/methods', name: 'Methods' },
  { href: '/bench', name: 'Bench' },
] as const;

const NEXT: Record<Lighting, Lighting> = { auto: 'night', night: 'day', day: 'auto' };
const LIGHT_NAME: Record<Lighting, string> = { auto: 'as device', night: 'night', day: 'day' };

export function Rail() {
  const pathname = usePathname();
  const lighting = useLighting();
  return (
    <nav className="rail" aria-label="Places">
      <span className="rail-name" aria-hidden="true">
        hyndle
      </span>
      {PLACES.map((place) => {
        const here = place.href === '/' ? pathname === '/' : pathname.startsWith(place.href) || ('also' in place && pathname.startsWith(place.also));
        return (
          <Link key={place.href} href={place.href} className="rail-link" aria-current={here ? 'page' : undefined}>
            {place.name}
          </Link>
        );
      })}
      <button type="button" className="rail-light" onClick={() => setLighting(NEXT[lighting])}>
        Light: {LIGHT_NAME[lighting]}
      </button>
    </nav>
  );
}
