import type { APIRoute } from "astro";
import { shapes } from "@/server";

export const GET: APIRoute = ({ url }) => shapes(url);
