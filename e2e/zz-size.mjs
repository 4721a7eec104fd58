import { chromium } from "@playwright/test";
const b = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox"] });
const base="http://127.0.0.1:4191";
for (const [who,path,sel] of [["-","/sign-in",".el-form"],["pim","/",".go-on"],["pim","/shelf",".card"],["ottoline","/bodies",".fields"],["pim","/account",".account"],["ottoline","/drafts/61511a8c-a8ca-40fc-8481-060b6ef1f0e6",".handout"],["ottoline","/drafts/61511a8c-a8ca-40fc-8481-060b6ef1f0e6/print",".plan"]]) {
  const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
  if (who !== "-") await p.request.post(base + "/api/session", { headers: { origin: base, "content-type": "application/json" }, data: { email: who + "@quillmoor.example", password: "lantern-night" } });
  const t=Date.now(); await p.goto(base+path,{waitUntil:"commit"}); await p.locator(sel).first().waitFor(); const ms=Date.now()-t;
  await p.waitForTimeout(700);
  const r=await p.evaluate(()=>performance.getEntriesByType("resource").filter(e=>/\.js/.test(e.name)).map(e=>[e.name.split("/").pop(),e.transferSize,e.initiatorType]));
  const js=r.filter(x=>!/worker/.test(x[0])).reduce((s,x)=>s+x[1],0);
  console.log(path, ms+" ms", "js kB", (js/1000).toFixed(0), "worker", r.filter(x=>/worker/.test(x[0])).map(x=>x[0]+":"+(x[1]/1000|0)).join());
  await p.close();
}
await b.close();
