import { defineMiddleware } from "astro:middleware";
import { SECURITY_HEADERS, unanswered } from "@/server";

/** The engraver measures its text in elements that it hides by a style attribute; the build cannot be told of this one. */
const STYLE_ATTRIBUTES = " style-src-attr 'unsafe-inline'; frame-ancestors 'none';";

/** Every answer carries the security headers; the content policy comes from the build, with its own hashes. What a script asks for in vain is answered as a problem. */
export const onRequest = defineMiddleware(async ({ request, url }, next) => {
  const answered = await next();
  const refused = answered.status === 404 ? unanswered(request.method, url.pathname) : undefined;
  const response = refused ?? answered;
  for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.headers.set(name, value);
  const policy = response.headers.get("content-security-policy");
  if (policy !== null) response.headers.set("content-security-policy", policy + STYLE_ATTRIBUTES);
  if (
    response.headers.get("content-type")?.startsWith("text/html") === true &&
    !response.headers.has("cache-control")
  )
    response.headers.set("cache-control", "no-cache");
  return response;
});
