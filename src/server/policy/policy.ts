/**
 * The content security policy of the application's pages (W3C CSP Level 3). Nothing comes from elsewhere; the only inline scripts are those of
 * the pages as they were built, by their hashes. Styles may be inline: the interface's library writes them.
 */
export const policyOf = (scriptHashes: readonly string[]): string =>
  [
    "default-src 'none'",
    ["script-src 'self'", ...[...scriptHashes].sort().map((hash) => `'${hash}'`)].join(' '),
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
    "frame-ancestors 'none'",
  ].join('; ');
