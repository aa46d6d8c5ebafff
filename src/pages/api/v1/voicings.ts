import type { APIRoute } from "astro";
import { answerElsewhere } from "@/server";

export const GET: APIRoute = ({ request }) => answerElsewhere("voicings", request);
