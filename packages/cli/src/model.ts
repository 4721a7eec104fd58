import { printNotation, type System } from "@lodrin/core";
import { SystemSchema } from "@lodrin/core/schema";
import { Ajv } from "ajv";
import { RequestError } from "./arguments.js";

/** The notation of a system kept as JSON. Throws RequestError that names the place when it does not fit the schema. */
export function notationOfModel(value: unknown, where: string): string {
  const validate = new Ajv({ strict: false }).compile<System>(SystemSchema);
  if (validate(value)) return printNotation(value);
  const [error] = validate.errors ?? [];
  throw new RequestError(
    `${where} is no system: ${error?.instancePath || "/"} ${error?.message ?? "does not fit docs/schema/system.json"}.`,
  );
}
