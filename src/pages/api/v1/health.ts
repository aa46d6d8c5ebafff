import type { APIRoute } from "astro";
import { health } from "@/server";

export const GET: APIRoute = () => health();
