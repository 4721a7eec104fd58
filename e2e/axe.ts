import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { expect } from "./lodrin.js";

/** Axe finds nothing on the page, or on the given part of it. */
export async function sound(page: Page, what: string, part?: string): Promise<void> {
  const axe = new AxeBuilder({ page });
  if (part) axe.include(part);
  const { violations } = await axe.withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "best-practice"]).analyze();
  expect(violations.map((v) => `${what}: ${v.id} at ${v.nodes.map((n) => n.target.join(" ")).join(", ")}`)).toEqual([]);
}
