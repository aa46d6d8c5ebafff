/**
 * What the endpoints take and answer. The same schemas check queries and bodies, type the answers, and are what the OpenAPI
 * document is made from.
 */
export { problemAnswer } from "./fields";
export * from "./modes";
export * from "./neck";
export * from "./match";
export * from "./identify";
export * from "./reshape";
export * from "./health";
