import type { APIRoute } from "astro";
import { derive } from "@/server";

export const GET: APIRoute = ({ url }) => derive(url);
