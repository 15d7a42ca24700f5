import type { NextConfig } from 'next';

const config: NextConfig = {
  // The embedded database loads its own WebAssembly from disk and must not be bundled.
  serverExternalPackages: ['@electric-sql/pglite'],
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
};

export default config;
