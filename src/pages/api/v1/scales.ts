import type { APIRoute } from "astro";
import { scales } from "@/server";

export const GET: APIRoute = ({ url }) => scales(url);
