import type { NextConfig } from 'next';

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: ['sharp', '@node-rs/argon2', 'postgres'],
  experimental: { serverActions: { bodySizeLimit: '2mb' } },
};

export default config;
