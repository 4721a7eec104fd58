import type { Draft, SchoolClass } from "@lodrin/contract";
import type { Page } from "@playwright/test";
import type { Lodrin } from "./lodrin.js";

const CLASS = "Lantern sewing, Monday evening";

export async function get<T>(page: Page, path: string): Promise<T> {
  return (await (await page.request.get(path)).json()) as T;
}

export const sleeveOf = async (page: Page): Promise<Draft> => {
  const found = (await get<Draft[]>(page, "/api/drafts")).find((d) => d.name.startsWith("Short sleeve,"));
  if (!found) throw new Error("The demo has no sleeve for this student.");
  return found;
};

/** The class of the demo. */
export async function theClass(page: Page): Promise<SchoolClass> {
  const found = (await get<SchoolClass[]>(page, "/api/classes")).find((c) => c.name === CLASS);
  if (!found) throw new Error("The demo has no class.");
  return found;
}

/** Two people in two browsers. */
export async function two(page: Page, lodrin: Lodrin): Promise<Page> {
  const context = await page.context().browser()?.newContext({ baseURL: lodrin.url });
  if (!context) throw new Error("There is no browser.");
  return context.newPage();
}
