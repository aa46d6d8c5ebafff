import type { APIRoute } from "astro";
import { reshape } from "@/server";

export const POST: APIRoute = ({ request }) => reshape(request);
