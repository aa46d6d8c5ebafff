import { z } from "zod";
import { type Content, type Endpoint, ENDPOINTS } from "./endpoints";
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

/** Bodies by their media types. OpenAPI has no schema for lines: what it gives is that of one line, and the description says so. */
function contents(all: Readonly<Record<string, Content>>, io: "input" | "output") {
  const schemaOf = (content: Content) => {
    if (content === "text") return { type: "string" };
    if (content === "bytes") return { type: "string", format: "binary" };
    return "lines" in content
      ? { ...jsonSchema(content.lines, io), description: "Each line" }
      : jsonSchema(content, io);
  };
  return Object.fromEntries(
    Object.entries(all).map(([kind, content]) => [kind, { schema: schemaOf(content) }]),
  );
}

function operation(endpoint: Endpoint) {
  const { summary, bodies, answer, others, refuses } = endpoint;
  return {
    summary,
    ...(endpoint.query
      ? { parameters: parametersOf(endpoint).map((parameter) => ({ in: "query", ...parameter })) }
      : {}),
    ...(bodies ? { requestBody: { required: true, content: contents(bodies, "input") } } : {}),
    responses: {
      200: {
        description: summary,
        content: contents({ "application/json": answer, ...others }, "output"),
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
