import { chromium } from "@playwright/test";
const [, , who, out, w = "1280", h = "800", path = "/", ...acts] = process.argv;
const b = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
const p = await b.newPage({ viewport: { width: +w, height: +h } });
p.on("console", (m) => (m.type() === "error" || m.type() === "warning") && console.log("console:", m.text().slice(0, 300)));
p.on("pageerror", (e) => console.log("pageerror:", e.message));
const base = "http://127.0.0.1:" + (process.env.PORT ?? 4191);
if (who !== "-") {
  await p.request.post(base + "/api/session", {
    headers: { origin: base, "content-type": "application/json" },
    data: { email: who + "@quillmoor.example", password: "lantern-night" },
  });
}
await p.goto(base + path);
await p.waitForTimeout(1500);
for (const a of acts) {
  const i = a.indexOf(":");
  const [kind, arg] = [a.slice(0, i), a.slice(i + 1)];
  if (kind === "key") await p.keyboard.press(arg);
  else if (kind === "click")
    await p
      .getByRole("button", { name: new RegExp(arg) })
      .first()
      .click();
  else if (kind === "text") await p.getByText(arg).first().click();
  else if (kind === "sel") await p.locator(arg).first().click();
  else if (kind === "eval") console.log(await p.evaluate(arg));
  else if (kind === "wait") await p.waitForTimeout(+arg);
  else if (kind === "go") {
    await p.goto(base + arg);
    await p.waitForTimeout(1200);
  } else if (kind === "full") {
  }
  await p.waitForTimeout(250);
}
await p.waitForTimeout(500);
await p.screenshot({ path: out });
console.log(p.url());
await b.close();
