import type { APIRoute } from "astro";
import { identifyElsewhere } from "@/server";

export const POST: APIRoute = ({ request }) => identifyElsewhere(request);
