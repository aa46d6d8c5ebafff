import type { APIRoute } from "astro";
import { neck } from "@/server";

export const GET: APIRoute = ({ url }) => neck(url);
