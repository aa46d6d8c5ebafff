import { z } from "zod";

export const healthAnswer = z.object({ status: z.literal("ok"), seconds: z.int() });
