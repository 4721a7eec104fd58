import type { TSchema } from "@sinclair/typebox";
import { Ajv, type ErrorObject, type ValidateFunction } from "ajv";
import addFormats from "ajv-formats";
import { ProblemError } from "./problem.js";

const ajv = new Ajv({ strict: false });
addFormats(ajv, ["uuid", "email", "date", "date-time"]);

const compiled = new WeakMap<TSchema, ValidateFunction>();

/** The compiled schema. */
export function validatorOf(schema: TSchema): ValidateFunction {
  const known = compiled.get(schema);
  if (known) return known;
  const made = ajv.compile(schema);
  compiled.set(schema, made);
  return made;
}

/** Throws a 400 problem that names the first place where `value` does not fit its schema, or holds text that cannot be kept. */
export function validate(schema: TSchema | undefined, value: unknown, where: "body" | "path" | "query"): void {
  if (!schema) return;
  if (!keepable(value))
    throw new ProblemError(400, "Not as it should be", `There is a letter in the request's ${where} that is none: take it out.`);
  const validate = validatorOf(schema);
  if (validate(value)) return;
  throw new ProblemError(400, "Not as it should be", `Something in the request's ${where} does not fit.`, {
    errors: (validate.errors ?? []).map(told),
  });
}

function told(error: ErrorObject): { at: string; message: string } {
  const extra = (error.params as { additionalProperty?: string }).additionalProperty;
  return { at: error.instancePath || "/", message: extra === undefined ? (error.message ?? "does not fit") : `${extra} is not known here` };
}

/** True when every text in a value is one that PostgreSQL can hold: without NUL, and without half a letter. */
function keepable(value: unknown): boolean {
  if (typeof value === "string") return !value.includes("\0") && isWellFormed(value);
  if (Array.isArray(value)) return value.every(keepable);
  if (typeof value !== "object" || value === null) return true;
  return Object.entries(value).every(([key, part]) => keepable(key) && keepable(part));
}

const HALF_A_LETTER = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;
const isWellFormed = (text: string): boolean => !HALF_A_LETTER.test(text);
