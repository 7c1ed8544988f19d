/**
 * On every answer: no page of ours in another's frame, no script that we did not write, nothing guessed from bytes,
 * no more of a device than is used.
 * @param nonce of this answer; what the page itself starts with carries it
 */
export const safeHeaders = (nonce: string): Record<string, string> => ({
  'content-security-policy': [
    "default-src 'self'",
    // Maps and elevation are unpacked by WebAssembly.
    `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'`,
    // The interface's own styles are written into the page as it is used.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "font-src 'self' data:",
    "connect-src 'self' data: blob:",
    "worker-src 'self' blob:",
    "frame-ancestors 'none'",
    "base-uri 'none'",
    "object-src 'none'",
    "form-action 'self'",
  ].join('; '),
  'x-frame-options': 'DENY',
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'permissions-policy':
    'geolocation=(self), microphone=(self), camera=(self), serial=(self), payment=(), usb=(), midi=()',
})
