/** What every answer carries, pages, files and endpoints alike. The content policy of a page comes from the build, with its own hashes. */
export const SECURITY_HEADERS = {
  "x-content-type-options": "nosniff",
  "referrer-policy": "no-referrer",
  "x-frame-options": "DENY",
  "cross-origin-opener-policy": "same-origin",
  "permissions-policy": "camera=(), geolocation=(), payment=()",
} as const;
