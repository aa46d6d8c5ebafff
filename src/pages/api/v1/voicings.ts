import type { APIRoute } from "astro";
import { chordVoicings } from "@/server";

export const GET: APIRoute = ({ url }) => chordVoicings(url);
