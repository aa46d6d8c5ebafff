import { z } from "zod";
import { type Endpoint, ENDPOINTS } from "./endpoints";
import { jsonResponse, REFUSALS } from "./problem";
import { problemAnswer } from "./schemas";

/** A schema in the dialect of OpenAPI 3.1, which is JSON Schema 2020-12. Checks that JSON Schema cannot say are left out. */
function jsonSchema(schema: z.ZodType, io: "input" | "output"): Readonly<Record<string, unknown>> {
  const made = z.toJSONSchema(schema, { io, unrepresentable: "any" }) as Record<string, unknown>;
  return Object.fromEntries(Object.entries(made).filter(([name]) => name !== "$schema"));
}

/** A parameter of a query, as the document and the page list it. */
export interface Parameter {
  readonly name: string;
  readonly required: boolean;
  readonly description: string;
  readonly schema: Readonly<Record<string, unknown>>;
}

/** The parameters of an endpoint's query. */
export function parametersOf({ query }: Endpoint): readonly Parameter[] {
  if (!query) return [];
  const { properties = {}, required = [] } = jsonSchema(query, "input") as {
    properties?: Record<string, Record<string, unknown>>;
    required?: readonly string[];
  };
  return Object.entries(properties).map(([name, schema]) => ({
    name,
    required: required.includes(name),
    description: typeof schema.description === "string" ? schema.description : "",
    schema,
  }));
}

function operation(endpoint: Endpoint) {
  const { summary, bodies, answer, refuses } = endpoint;
  const content = Object.entries(bodies ?? {}).map(([kind, schema]) => [
    kind,
    { schema: schema === "text" ? { type: "string" } : jsonSchema(schema, "input") },
  ]);
  return {
    summary,
    ...(endpoint.query
      ? { parameters: parametersOf(endpoint).map((parameter) => ({ in: "query", ...parameter })) }
      : {}),
    ...(bodies ? { requestBody: { required: true, content: Object.fromEntries(content) as object } } : {}),
    responses: {
      200: {
        description: summary,
        content: { "application/json": { schema: jsonSchema(answer, "output") } },
      },
      ...Object.fromEntries(
        refuses.map((status) => [
          status,
          { description: REFUSALS[status], $ref: "#/components/responses/problem" },
        ]),
      ),
    },
  };
}

/** The OpenAPI 3.1 document of all endpoints, made from the schemas that check them. */
export function openApi(): Readonly<Record<string, unknown>> {
  return {
    openapi: "3.1.0",
    info: {
      title: "Shade",
      version: "1",
      description:
        "Derives modes, names scales, matches modes to chords and finds the mode of a tune. It keeps nothing.",
    },
    paths: Object.fromEntries(ENDPOINTS.map((each) => [each.path, { [each.method]: operation(each) }])),
    components: {
      responses: {
        problem: {
          description: "Not done, and why (RFC 9457)",
          content: { "application/problem+json": { schema: jsonSchema(problemAnswer, "output") } },
        },
      },
    },
  };
}

/** `GET /api/openapi.json`. */
export const openApiDocument = (): Response => jsonResponse(openApi());
