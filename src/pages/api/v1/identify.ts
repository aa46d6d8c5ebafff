import type { APIRoute } from "astro";
import { identify } from "@/server";

export const POST: APIRoute = ({ request }) => identify(request);
