import type { NextConfig } from 'next';

const config: NextConfig = {
  distDir: process.env.OILWICK_BUILD_DIR ?? '.next',
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  serverExternalPackages: ['pino', 'mysql2'],
  // Types are checked by the tests; a start need not wait for them.
  typescript: { ignoreBuildErrors: true },
  turbopack: { root: import.meta.dirname },
};

export default config;
