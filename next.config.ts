import type { NextConfig } from 'next'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: [
    '@node-rs/argon2',
    '@zxcvbn-ts/core',
    '@zxcvbn-ts/language-common',
    'nodemailer',
    'playwright-core',
    'mysql2',
    'pino',
    'piscina',
    'prom-client',
    'rotating-file-stream',
  ],
  devIndicators: false,
  // Types are checked by the tests, once; whoever only starts the application does not wait for it.
  typescript: { ignoreBuildErrors: true },
  // Whatever a route takes at most passes the proxy whole; beyond its usual 10 MB it would hand on the beginning alone.
  experimental: { proxyClientMaxBodySize: 50_000_000 },
  async headers() {
    return [
      {
        source: '/:path*',
        headers: [
          { key: 'X-Content-Type-Options', value: 'nosniff' },
          { key: 'X-Frame-Options', value: 'DENY' },
          { key: 'Referrer-Policy', value: 'no-referrer' },
          { key: 'Permissions-Policy', value: 'camera=(), microphone=(), geolocation=()' },
        ],
      },
      // What a customer was sent is not for search engines.
      { source: '/offer/:path*', headers: [{ key: 'X-Robots-Tag', value: 'noindex, nofollow' }] },
    ]
  },
}

export default config
