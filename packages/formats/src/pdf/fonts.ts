import { createRequire } from "node:module";
import { dirname, join } from "node:path";

const folder = join(dirname(createRequire(import.meta.url).resolve("dejavu-fonts-ttf/package.json")), "ttf");

/** Full TrueType faces with true fractions, ″, × and ÷. */
export const FONTS = { text: join(folder, "DejaVuSansCondensed.ttf"), strong: join(folder, "DejaVuSansCondensed-Bold.ttf") } as const;
