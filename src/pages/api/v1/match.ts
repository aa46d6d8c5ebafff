import type { APIRoute } from "astro";
import { match } from "@/server";

export const POST: APIRoute = ({ request }) => match(request);
