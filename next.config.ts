import type { NextConfig } from 'next';
import dataModules from './knowledge/data-modules.json';

const secure = (process.env.ELMHORN_ORIGIN ?? '').startsWith('https://');

/** What is nothing but data: checked when the pages are built, given to a browser as it comes out. */
const KNOWLEDGE = new RegExp(`^knowledge/(${dataModules.join('|')})\\.ts$`);

/** Addresses of the release before, which bookmarks, calendars and printed codes still hold; the longest first. */
const FORMER: readonly [from: string, to: string][] = [
  ['/grounds/places/:id/plan', '/sites/:id/map'],
  ['/grounds/places/:id/offer', '/sites/:id/quote'],
  ['/grounds/places/:path*', '/sites/:path*'],
  ['/grounds/:path*', '/trees/:path*'],
  ['/tree/:id/examine', '/trees/:id/inspect'],
  ['/tree/:id/decide', '/trees/:id/diagnose'],
  ['/tree/:id/apply', '/trees/:id/treat'],
  ['/tree/:path*', '/trees/:path*'],
  ['/rounds/hanging', '/jobs/devices'],
  ['/rounds/make', '/jobs/new'],
  ['/rounds/mix/:path*', '/jobs/mixes/:path*'],
  ['/rounds/day/:id/close', '/jobs/day/:id/finish'],
  ['/rounds/:path*', '/jobs/:path*'],
  ['/season/programmes/laid/:id', '/schedule/programmes/assigned/:id'],
  ['/season/:path*', '/schedule/:path*'],
  ['/shelf/:path*', '/stock/:path*'],
  ['/book/:path*', '/records/:path*'],
  ['/tools/:path*', '/calculators/:path*'],
  ['/me', '/settings'],
  ['/people', '/settings/team'],
  ['/rules', '/settings/rules'],
];

const config: NextConfig = {
  reactStrictMode: true,
  // Which release a page is of; a phone holds pages of one and may be given the next.
  env: { ELMHORN_BUILD: process.env.ELMHORN_BUILD ?? 'development' },
  poweredByHeader: false,
  serverExternalPackages: ['sharp', '@node-rs/argon2', 'postgres', 'ical-generator', 'pdfkit', 'pino'],
  turbopack: {
    rules: {
      '*.ts': {
        condition: { all: ['browser', { path: KNOWLEDGE }] },
        loaders: ['./bin/setup/prepared.cjs'],
        as: '*.js',
      },
    },
  },
  // The test command checks the types; a build for a start need not do it again.
  typescript: { ignoreBuildErrors: true },
  experimental: { serverActions: { bodySizeLimit: '2mb' } },
  redirects: async () => FORMER.map(([source, destination]) => ({ source, destination, permanent: false })),
  headers: async () => [
    {
      source: '/:path*',
      headers: [
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'Referrer-Policy', value: 'same-origin' },
        { key: 'X-Frame-Options', value: 'DENY' },
        { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
        { key: 'Permissions-Policy', value: 'camera=(self), geolocation=(self), microphone=()' },
        ...(secure ? [{ key: 'Strict-Transport-Security', value: 'max-age=31536000' }] : []),
      ],
    },
  ],
};

export default config;
