import type { NextConfig } from 'next'

const production = process.env.NODE_ENV === 'production'

/**
 * Everything comes from this server and goes to it, whatever finds its way into a page. The framework writes its data
 * into the page as inline scripts, and charts and the stage style inline.
 */
const contentPolicy = [
  "default-src 'self'",
  "script-src 'self' 'unsafe-inline'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "worker-src 'self' blob:",
  "object-src 'none'",
  "base-uri 'none'",
  "form-action 'self'",
  "frame-ancestors 'none'",
].join('; ')

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: ['playwright-core', 'mysql2', 'pino'],
  devIndicators: false,
  // Tells apart figures that were stored by another version of the code.
  env: { TALL_GABLE_BUILD: process.env['TALL_GABLE_BUILD'] ?? 'unbuilt' },
  async headers() {
    return [
      {
        source: '/:path*',
        headers: [
          { key: 'X-Content-Type-Options', value: 'nosniff' },
          { key: 'X-Frame-Options', value: 'DENY' },
          { key: 'Referrer-Policy', value: 'no-referrer' },
          { key: 'Permissions-Policy', value: 'camera=(), microphone=(), geolocation=()' },
          ...(production ? [{ key: 'Content-Security-Policy', value: contentPolicy }] : []),
        ],
      },
      // What a customer was sent is not for search engines.
      { source: '/offer/:path*', headers: [{ key: 'X-Robots-Tag', value: 'noindex, nofollow' }] },
    ]
  },
}

export default config
