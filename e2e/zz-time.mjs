import { chromium } from "@playwright/test";
const b = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
const base="http://127.0.0.1:4191";
for (const [who,path,sel] of [["pim","/",".go-on"],["pim","/",".go-on"],["ottoline","/drafts/61511a8c-a8ca-40fc-8481-060b6ef1f0e6",".handout"]]) {
  const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
  await p.request.post(base + "/api/session", { headers: { origin: base, "content-type": "application/json" }, data: { email: who + "@quillmoor.example", password: "lantern-night" } });
  const t=Date.now(); await p.goto(base+path,{waitUntil:"commit"}); const c=Date.now()-t; await p.locator(sel).first().waitFor(); const ms=Date.now()-t;
  const now = await p.evaluate(()=>performance.now());
  const r=await p.evaluate(()=>performance.getEntriesByType("resource").map(e=>[e.name.split("/").slice(-2).join("/").slice(0,40),e.startTime|0,e.responseEnd|0,e.transferSize]));
  console.log(path, "commit",c,"usable",ms, "page clock", now|0); console.log(r.filter(x=>!/woff|css/.test(x[0])).map(x=>x.join(" ")).join("\n"));
  await p.close();
}
await b.close();
