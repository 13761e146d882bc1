// The one way to the larder's API: typed by its OpenAPI document, with refusals told apart by field.
import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type Wrong = Record<string, { message: string; nearest: string[] }>;

export const api = createClient<paths>({ baseUrl: "" });

/** What is wrong with which field, from a refusal; or that the server is not there. */
export function wrongs(error: unknown): Wrong {
  const problem = error as Partial<Schemas["Problem"]> | undefined;
  if (problem?.errors?.length) {
    return Object.fromEntries(
      problem.errors.map((each) => [each.field, { message: each.message, nearest: each.nearest ?? [] }]),
    );
  }
  return { request: { message: problem?.detail ?? "The larder does not answer. Is it still running?", nearest: [] } };
}

/** Run a call so that a server that is gone is a refusal like any other. */
export async function ask<T>(call: Promise<{ data?: T; error?: unknown }>): Promise<{ data?: T; wrong?: Wrong }> {
  try {
    const { data, error } = await call;
    return error === undefined ? { data } : { wrong: wrongs(error) };
  } catch {
    return { wrong: wrongs(undefined) };
  }
}
