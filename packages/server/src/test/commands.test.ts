import { spawn, spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { afterEach, beforeEach, describe, expect, it } from "vitest";

const SCRIPTS = fileURLToPath(new URL("../../../../scripts", import.meta.url));

let root: string;
beforeEach(() => {
  root = mkdtempSync(join(tmpdir(), "lodrin-commands-"));
  mkdirSync(join(root, "data", "log"), { recursive: true });
});
afterEach(() => rmSync(root, { recursive: true }));

/** Runs lines of shell with the functions of `./lodrin` at hand, in a folder of their own. */
function shell(lines: string): { code: number; out: string } {
  const head = `set -u; ROOT=${root}; . ${SCRIPTS}/common.sh; . ${SCRIPTS}/postgres.sh; . ${SCRIPTS}/serve.sh\n`;
  const { status, stdout, stderr } = spawnSync("bash", ["-c", head + lines], { encoding: "utf8", timeout: 20_000 });
  return { code: status ?? -1, out: stdout + stderr };
}

describe("a process is known by more than its number", () => {
  it("that was noted runs until it ends; another with its number is a stranger", () => {
    const { out } = shell(`
      sleep 30 & mine=$!
      process_id $mine >"$DATA/server.pid"
      still_runs "$DATA/server.pid" && echo mine
      echo "$mine 1" >"$DATA/server.pid"; still_runs "$DATA/server.pid" || echo stranger
      process_id $mine >"$DATA/server.pid"; kill $mine; wait $mine 2>/dev/null
      still_runs "$DATA/server.pid" || echo ended
      rm "$DATA/server.pid"; still_runs "$DATA/server.pid" || echo nothing noted`);
    expect(out.trim().split("\n")).toEqual(["mine", "stranger", "ended", "nothing noted"]);
  });
});

describe("one folder of data", () => {
  it("is served by one at a time: the second is refused in a sentence and overwrites nothing", async () => {
    const first = spawn("bash", ["-c", `ROOT=${root}; . ${SCRIPTS}/common.sh; . ${SCRIPTS}/serve.sh; hold_data; echo held; exec sleep 30`]);
    await new Promise((resolve) => first.stdout.once("data", resolve));
    const noted = readFileSync(join(root, "data", "server.pid"), "utf8");
    const second = shell("hold_data; echo not reached");
    expect(second.code).toBe(1);
    expect(second.out.trim()).toBe(
      "A Lodrin runs on this data already. Stop it with ./lodrin stop, or use a clone of its own for another.",
    );
    expect(readFileSync(join(root, "data", "server.pid"), "utf8")).toBe(noted);
    first.kill("SIGKILL");
    await new Promise((resolve) => first.once("close", resolve));
  });

  it("goes where it is remembered to have gone", () => {
    writeFileSync(join(root, "data", "elsewhere"), `${root}/other\n`);
    expect(shell('echo "$DATA $LOGS $CLUSTER"').out.trim()).toBe(`${root}/other ${root}/other/log ${root}/other/postgres`);
  });
});

describe("a server that ends", () => {
  const fake = (script: string): void => {
    mkdirSync(join(root, "packages/server/build"), { recursive: true });
    writeFileSync(join(root, "packages/server/build/server.mjs"), `import { existsSync, writeFileSync } from "node:fs";\n${script}`);
  };

  it("by itself is started again, with a word", () => {
    fake(`if (existsSync("${root}/once")) process.exit(0); writeFileSync("${root}/once", ""); process.exit(7);`);
    const { code, out } = shell("serve; echo code $?");
    expect(code).toBe(0);
    expect(out).toContain("Lodrin stopped by itself (code 7). It is started again in 1 s");
    expect(out).toContain("code 0");
  });

  it("before it could begin is not tried again and again", () => {
    fake("process.exit(4);");
    expect(shell("serve; echo code $?").out.trim()).toBe("code 4");
  });

  it("because it was asked to stays away", () => {
    fake(`process.on("SIGTERM", () => process.exit(0)); setInterval(() => {}, 1000); writeFileSync("${root}/up", "");`);
    const { out } = shell(`(while [ ! -f ${root}/up ]; do sleep 0.1; done; kill -TERM $$) & serve; echo code $?`);
    expect(out.trim()).toBe("code 0");
  });
});
