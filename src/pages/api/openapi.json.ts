import type { APIRoute } from "astro";
import { openApiDocument } from "@/server";

export const GET: APIRoute = () => openApiDocument();
