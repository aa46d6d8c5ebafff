import type { APIRoute } from "astro";
import { VIEWS } from "@/features/views";

/** The first view. */
export const GET: APIRoute = ({ url }) => {
  const query = url.search || (process.env.SHADE_DEMO ? "?demo" : "");
  return new Response(null, { status: 302, headers: { location: `/${VIEWS[0].id}${query}` } });
};
