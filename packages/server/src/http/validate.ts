import type { TSchema } from "@sinclair/typebox";
import { Ajv, type ErrorObject, type ValidateFunction } from "ajv";
import addFormats from "ajv-formats";
import { ProblemError } from "./problem.js";

const ajv = new Ajv({ allErrors: true, strict: false });
addFormats(ajv, ["uuid", "email", "date", "date-time"]);

const compiled = new WeakMap<TSchema, ValidateFunction>();

function validatorOf(schema: TSchema): ValidateFunction {
  const known = compiled.get(schema);
  if (known) return known;
  const made = ajv.compile(schema);
  compiled.set(schema, made);
  return made;
}

/** Throws a 400 problem that names every place where `value` does not fit its schema. */
export function validate(schema: TSchema | undefined, value: unknown, where: "body" | "path" | "query"): void {
  if (!schema) return;
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
