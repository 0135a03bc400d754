import type { NextConfig } from 'next';
import { LIMITS } from './src/core/limits';

const config: NextConfig = {
  distDir: process.env.OILWICK_BUILD_DIR ?? '.next',
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  serverExternalPackages: ['pino', 'mysql2'],
  // Bodies pass the proxy whole; each route keeps to its own limit.
  experimental: { proxyClientMaxBodySize: LIMITS.bundleBytes + 1024 * 1024 },
  // Types are checked by the tests; a start need not wait for them.
  typescript: { ignoreBuildErrors: true },
  turbopack: { root: import.meta.dirname },
};

export default config;
