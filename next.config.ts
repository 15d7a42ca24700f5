import type { NextConfig } from 'next';

const config: NextConfig = {
  // The embedded database loads its own WebAssembly from disk; the makers of certificates tell each other by their decorators.
  serverExternalPackages: [
    '@electric-sql/pglite',
    '@peculiar/x509',
    '@peculiar/asn1-schema',
    '@peculiar/asn1-x509',
    'reflect-metadata',
    'mqtt',
    'sharp',
    'exifr',
    'heic-decode',
    'multicast-dns',
  ],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  // `npm run check` looks at the types once; a build need not look again.
  typescript: { ignoreBuildErrors: true },
  // No door that fetches pictures for others.
  images: { unoptimized: true },
};

export default config;
