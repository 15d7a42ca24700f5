import type { MetadataRoute } from 'next';
import { DAY } from '@/ui/theme/room';

/** Installed, Hyndle has a window of its own; its icons are drawn by bin/icons.mjs. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Hyndle',
    short_name: 'Hyndle',
    description: 'Plans, times, watches and records natural dye work.',
    start_url: '/',
    scope: '/',
    display: 'standalone',
    background_color: DAY.room,
    theme_color: DAY.rail,
    icons: [
      ...[48, 96, 192, 512].map((px) => ({ src: `/icons/hyndle-${px}.png`, sizes: `${px}x${px}`, type: 'image/png' })),
      { src: '/icons/hyndle-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
      { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
    ],
  };
}
