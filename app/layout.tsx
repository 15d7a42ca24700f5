import './styles/room.css';
import './styles/drawings.css';
import './styles/stove.css';
import './styles/print.css';
import { AntdRegistry } from '@ant-design/nextjs-registry';
import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { byOf } from '@/server/doors/by';
import { whoAmI } from '@/server/doors/view';
import { openApp } from '@/server/openApp';
import { WhoIAm } from '@/ui/api/me';
import { Doorstep } from '@/ui/shell/Doorstep';
import { EarlyTaps } from '@/ui/shell/EarlyTaps';
import { Frame } from '@/ui/shell/Frame';
import { Room } from '@/ui/shell/Room';
import { NIGHT_COOKIE } from '@/ui/theme/nightCookie';
import { roomStyle } from '@/ui/theme/room';
import { fontClasses } from './fonts';
import { WithData } from './WithData';

export const metadata: Metadata = {
  title: { default: 'Hyndle', template: '%s · Hyndle' },
  description: 'Plans, times, watches and records natural dye work.',
  applicationName: 'Hyndle',
  appleWebApp: { capable: true, title: 'Hyndle', statusBarStyle: 'default' },
};
export const viewport: Viewport = {
  width: 'device-width',
  initialScale: 1,
  themeColor: [
    { media: '(prefers-color-scheme: light)', color: '#d4d4d4' },
    { media: '(prefers-color-scheme: dark)', color: '#101010' },
  ],
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Read so that every page is made for its request and carries that request’s nonce.
  const asked = await headers();
  const remembered = (await cookies()).get(NIGHT_COOKIE)?.value;
  const night = remembered === undefined ? asked.get('sec-ch-prefers-color-scheme') === 'dark' : remembered === '1';
  return (
    <html lang="en" data-lighting={night ? 'night' : 'day'} className={fontClasses} style={roomStyle(night)}>
      <body>
        <EarlyTaps nonce={asked.get('x-nonce') ?? undefined} />
        <AntdRegistry>
          {asked.get('x-hyndle-by') === 'stranger' ? (
            <Doorstep night={night}>{children}</Doorstep>
          ) : (
            <Inside night={night} asked={asked}>
              {children}
            </Inside>
          )}
        </AntdRegistry>
      </body>
    </html>
  );
}

async function Inside({ night, asked, children }: { night: boolean; asked: Headers; children: ReactNode }) {
  const app = await openApp();
  const { live, nowMs } = app;
  const me = whoAmI({ ...app, by: byOf(asked.get('x-hyndle-by')) }, asked.get('x-hyndle-secure') === 'yes');
  return (
    <Room night={night} madeAtMs={nowMs()} seq={live.seq}>
      <WhoIAm value={me}>
        <WithData ask={['/home']}>
          <Frame>{children}</Frame>
        </WithData>
      </WhoIAm>
    </Room>
  );
}
