import { defineMiddleware } from "astro:middleware";

const HEADERS = {
  "x-content-type-options": "nosniff",
  "referrer-policy": "no-referrer",
  "x-frame-options": "DENY",
  "cross-origin-opener-policy": "same-origin",
  "permissions-policy": "camera=(), geolocation=(), payment=()",
};

/** The engraver measures its text in elements that it hides by a style attribute; the build cannot be told of this one. */
const STYLE_ATTRIBUTES = " style-src-attr 'unsafe-inline';";

/** Every answer carries the security headers; the content policy comes from the build, with its own hashes. */
export const onRequest = defineMiddleware(async (_, next) => {
  const response = await next();
  for (const [name, value] of Object.entries(HEADERS)) response.headers.set(name, value);
  const policy = response.headers.get("content-security-policy");
  if (policy !== null) response.headers.set("content-security-policy", policy + STYLE_ATTRIBUTES);
  return response;
});
