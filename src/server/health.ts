import { ENDPOINTS } from "./endpoints";
import { jsonResponse, methodRefused, problemResponse } from "./problem";

/** `GET /api/v1/health`: that the server answers, and for how many seconds it has run. */
export const health = (): Response => jsonResponse({ status: "ok", seconds: Math.floor(process.uptime()) });

/**
 * The answer where nothing answered: another method for an endpoint that there is, or no endpoint at all. Undefined where the address is
 * none of a script's.
 */
export function unanswered(method: string, path: string): Response | undefined {
  if (!path.startsWith("/api/v1/")) return undefined;
  const there = ENDPOINTS.find((each) => each.path === path.replace(/\/$/u, ""));
  return there
    ? methodRefused(method, there.method.toUpperCase())
    : problemResponse(404, [{ code: "no-endpoint", found: path.slice(0, 80) }]);
}
