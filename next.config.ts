import type { NextConfig } from 'next';

/** On every answer; pages have a content security policy besides (src/proxy.ts). */
const HEADERS = [
  { key: 'x-content-type-options', value: 'nosniff' },
  { key: 'x-frame-options', value: 'DENY' },
  { key: 'referrer-policy', value: 'no-referrer' },
  { key: 'cross-origin-opener-policy', value: 'same-origin' },
  { key: 'cross-origin-resource-policy', value: 'same-origin' },
  {
    key: 'permissions-policy',
    value: 'camera=(), display-capture=(), geolocation=(), microphone=(), payment=(), serial=(), usb=()',
  },
];

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  devIndicators: false,
  // `npm test` judges types by a step of its own, tests and benchmarks included: once is enough.
  typescript: { ignoreBuildErrors: true },
  headers: async () => [
    { source: '/:path*', headers: HEADERS },
    {
      source: '/api/print',
      headers: [{ key: 'content-security-policy', value: "default-src 'none'; frame-ancestors 'none'" }],
    },
  ],
  // One page for all projects: what it is about stands in the address and is read in the browser.
  rewrites: async () => [{ source: '/project/:id/:stage', destination: '/project' }],
};

export default config;
