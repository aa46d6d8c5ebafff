import type { APIRoute } from "astro";
import { modes } from "@/server";

export const GET: APIRoute = ({ url }) => modes(url);
