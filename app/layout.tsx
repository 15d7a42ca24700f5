import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css';
import './styles/tokens.css';
import './styles/room.css';
import './styles/now.css';
import './styles/fibre.css';
import './styles/warp.css';
import './styles/editor.css';
import './styles/prepare.css';
import './styles/quantities.css';
import './styles/stove.css';
import './styles/record.css';
import './styles/narrow.css';
import { AntdRegistry } from '@ant-design/nextjs-registry';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Room } from '@/ui/shell/Room';

export const metadata: Metadata = {
  title: { default: 'Hyndle', template: '%s · Hyndle' },
  description: 'Plans, times, watches and records natural dye work.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Read so that every page is made for its request and carries that request’s nonce.
  await headers();
  return (
    <html lang="en">
      <body>
        <AntdRegistry>
          <Room>{children}</Room>
        </AntdRegistry>
      </body>
    </html>
  );
}
