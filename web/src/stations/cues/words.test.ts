import { describe, expect, it } from "vitest";
import { call, METHOD } from "../../testing";
import { cueSentence, leanSentence } from "./words";

const seen = (cue: Parameters<typeof call>[0]) => cueSentence(call(cue), METHOD, "metric");

describe("what is seen", () => {
  it("stands ahead of a mark, behind it, or level with it", () => {
    expect(seen({ offset_m: 0.12 })).toContain("stands 12 cm ahead of the B-pillar");
    expect(seen({ offset_m: -0.12 })).toContain("stands 12 cm behind the B-pillar");
    expect(seen({ offset_m: 0.01 })).toContain("level with the B-pillar");
  });
  it("runs above a mark or below it", () => {
    expect(seen({ along: "z", offset_m: 0.05 })).toContain("5 cm above the");
    expect(seen({ along: "z", offset_m: -0.05 })).toContain("5 cm below the");
  });
  it("is said to be hidden where the body hides it", () => {
    expect(seen({ through: null })).toMatch(/^Hidden by the body/);
  });
});

it("leaning makes the stop late, or early", () => {
  expect(leanSentence(call({ lean_late_m: 0.2 }), "metric")).toContain("20 cm late");
  expect(leanSentence(call({ lean_late_m: -0.2 }), "metric")).toContain("20 cm early");
});
