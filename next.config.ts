import type { NextConfig } from 'next';

const config: NextConfig = {
  // Pages that got another name; what was kept as a bookmark still leads there.
  redirects: () =>
    Promise.resolve([
      { source: '/jobs/:job/set-out', destination: '/jobs/:job/areas', permanent: true },
      { source: '/jobs/:job/updates', destination: '/jobs/:job/news', permanent: true },
      { source: '/desks', destination: '/coordination', permanent: true },
      // Browsers ask for it by this name before they have read the page.
      { source: '/favicon.ico', destination: '/icon.svg', permanent: false },
    ]),
  serverExternalPackages: ['better-sqlite3', 'sharp', '@node-rs/argon2', 'exifr'],
  poweredByHeader: false,
  images: { unoptimized: true },
  // Types are a step of their own in the tests; whoever starts the application need not wait for it.
  typescript: { ignoreBuildErrors: true },
  devIndicators: false,
  sassOptions: { silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'], quietDeps: true },
  headers: () =>
    Promise.resolve([
      {
        source: '/:path*',
        headers: [
          { key: 'x-content-type-options', value: 'nosniff' },
          { key: 'referrer-policy', value: 'no-referrer' },
          { key: 'x-frame-options', value: 'DENY' },
          { key: 'cross-origin-opener-policy', value: 'same-origin' },
          { key: 'cross-origin-resource-policy', value: 'same-origin' },
          { key: 'permissions-policy', value: 'camera=(self), microphone=(self), geolocation=(), payment=(), usb=()' },
        ],
      },
    ]),
};
export default config;
