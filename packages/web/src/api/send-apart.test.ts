import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { CallError } from "./call.js";
import { sendApart } from "./send-apart.js";

const refusal = (): CallError => new CallError(422, "Refused", "not this");

describe("items sent together", () => {
  it("each that is taken is taken once, each that is refused is named, in any mixture", async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.tuple(fc.integer(), fc.boolean()), { maxLength: 40 }), async (given) => {
        const items = given.map(([n, bad], i) => ({ n, bad, i }));
        const taken: number[] = [];
        const refused = await sendApart(items, (some) => {
          if (some.some(({ bad }) => bad)) return Promise.reject(refusal());
          taken.push(...some.map(({ i }) => i));
          return Promise.resolve();
        });
        expect(taken).toEqual(items.filter(({ bad }) => !bad).map(({ i }) => i));
        expect(refused.map(({ item, why }) => [item.i, why])).toEqual(items.filter(({ bad }) => bad).map(({ i }) => [i, "not this"]));
      }),
    );
  });

  it.each([0, 401, 423, 429, 500, 503])("what fails with %d is no refusal: it waits", async (status) => {
    const calls: number[] = [];
    const sent = sendApart([1, 2, 3], (some) => {
      calls.push(some.length);
      return Promise.reject(new CallError(status, "", ""));
    });
    await expect(sent).rejects.toMatchObject({ status });
    expect(calls).toEqual([3]);
  });
});
