'use client';
import {
  BgColorsOutlined,
  BulbOutlined,
  CalculatorOutlined,
  CalendarOutlined,
  ContainerOutlined,
  DashboardOutlined,
  MoonOutlined,
  ReadOutlined,
  SearchOutlined,
  SkinOutlined,
  SunOutlined,
} from '@ant-design/icons';
import { Button } from 'antd';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { type Lighting, setLighting, useLighting } from '../theme/lighting';

const PLACES = [
  { href: '/', name: 'Now', icon: <DashboardOutlined aria-hidden="true" /> },
  { href: '/sessions', name: 'Sessions', also: '/runs', icon: <CalendarOutlined aria-hidden="true" /> },
  { href: '/fibre', name: 'Fibre', icon: <SkinOutlined aria-hidden="true" /> },
  { href: '/shelf', name: 'Shelf', icon: <ContainerOutlined aria-hidden="true" /> },
  { href: '/methods', name: 'Methods', icon: <ReadOutlined aria-hidden="true" /> },
  { href: '/swatches', name: 'Swatches', icon: <BgColorsOutlined aria-hidden="true" /> },
  { href: '/bench', name: 'Bench', icon: <CalculatorOutlined aria-hidden="true" /> },
] as const;

const NEXT: Record<Lighting, Lighting> = { auto: 'night', night: 'day', day: 'auto' };
const LIGHT = {
  auto: { name: 'as device', icon: <BulbOutlined aria-hidden="true" /> },
  night: { name: 'night', icon: <MoonOutlined aria-hidden="true" /> },
  day: { name: 'day', icon: <SunOutlined aria-hidden="true" /> },
} as const;

/** Where one can go, with what can be reached from everywhere at its foot. */
export function Rail({ onFind }: { onFind: () => void }) {
  const pathname = usePathname();
  const lighting = useLighting();
  return (
    <nav className="rail" aria-label="Places">
      <a className="rail-link unseen" href="#main">
        Skip to the page
      </a>
      <strong className="only-wide" style={{ textAlign: 'center', paddingBottom: 10 }} aria-hidden="true">
        hyndle
      </strong>
      {PLACES.map((place) => {
        const here = place.href === '/' ? pathname === '/' : pathname.startsWith(place.href) || ('also' in place && pathname.startsWith(place.also));
        return (
          <Link key={place.href} href={place.href} className="rail-link" aria-current={here ? 'page' : undefined} data-tour={place.name.toLowerCase()}>
            <span style={{ fontSize: 'var(--t3)', lineHeight: 1 }}>{place.icon}</span>
            {place.name}
          </Link>
        );
      })}
      <div className="rail-foot" data-tour="find">
        <Button block type="text" size="small" icon={<SearchOutlined aria-hidden="true" />} onClick={onFind} aria-label="Find" aria-keyshortcuts="/">
          <span className="only-wide">Find</span>
        </Button>
        <Button
          block
          type="text"
          size="small"
          className="only-wide"
          icon={LIGHT[lighting].icon}
          onClick={() => setLighting(NEXT[lighting])}
          aria-label={`Light: ${LIGHT[lighting].name}`}
        >
          {LIGHT[lighting].name}
        </Button>
      </div>
    </nav>
  );
}
