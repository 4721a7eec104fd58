import { printNotation, type System, SystemSchema } from "@lodrin/core";
import { Ajv } from "ajv";
import { RequestError } from "./arguments.js";

/** A system as open JSON, as docs/schema/system.json describes it. */
export const writeModel = (system: System): string => `${JSON.stringify(system, null, 2)}\n`;

/** The notation of a system kept as JSON. Throws RequestError that names the place when it does not fit the schema. */
export function notationOfModel(value: unknown, where: string): string {
  const validate = new Ajv({ strict: false }).compile<System>(SystemSchema);
  if (validate(value)) return printNotation(value);
  const [error] = validate.errors ?? [];
  throw new RequestError(
    `${where} is no system: ${error?.instancePath || "/"} ${error?.message ?? "does not fit docs/schema/system.json"}.`,
  );
}
