import type { APIRoute } from "astro";
import { answerElsewhere } from "@/server";

export const POST: APIRoute = ({ request }) => answerElsewhere("match", request);
