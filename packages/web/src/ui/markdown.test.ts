import { describe, expect, it } from "vitest";
import { markdownHtml } from "./markdown.js";

describe("a lesson in Markdown", () => {
  it("is shown as it was meant", () => {
    expect(markdownHtml("**Cut** with:\n\n- shears\n- chalk")).toBe(
      "<p><strong>Cut</strong> with:</p>\n<ul>\n<li>shears</li>\n<li>chalk</li>\n</ul>\n",
    );
  });

  it.each([
    "<script>alert(1)</script>",
    '<img src=x onerror="alert(1)">',
    "[press](javascript:alert(1))",
    "![picture](https://elsewhere.example/x.png)",
    "<a href='data:text/html,x'>x</a>",
    "<svg onload=alert(1)>",
  ])("runs nothing and fetches nothing: %s", (text) => {
    const holder = document.createElement("div");
    holder.innerHTML = markdownHtml(text);
    expect(holder.querySelectorAll("script, img, a, svg, iframe")).toHaveLength(0);
    for (const element of holder.querySelectorAll("*")) expect(element.attributes).toHaveLength(0);
  });
});
