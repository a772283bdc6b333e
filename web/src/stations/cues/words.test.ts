import { describe, expect, it } from "vitest";
import { call, METHOD, PLAN } from "../../testing";
import { callDetail, cueSentence, leanSentence } from "./words";

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

describe("what is waited for", () => {
  const told = (until: Parameters<typeof call>[1]) => callDetail(call({}, until), PLAN, "metric");
  const abeam = { own: "rear bumper", landmark: "tail ahead" };
  it("has its own point past a landmark, short of it, or level", () => {
    expect(told({ ...abeam, metres: 0.4 })).toBe("own tail 40 cm past the parked tail");
    expect(told({ ...abeam, metres: -0.4 })).toBe("own tail 40 cm short of the parked tail");
    expect(told({ ...abeam, metres: 0.01 })).toBe("own tail level with the parked tail");
  });
  it("is room to a kerb, or to an edge", () => {
    expect(told({ kind: "kerb", own: "rear wheel", metres: 0.9 })).toContain("90 cm from the kerb");
    expect(told({ kind: "edge", edge: "far kerb", metres: 0.4 })).toContain(
      "40 cm left to the far",
    );
  });
});

it("leaning makes the stop late, or early", () => {
  expect(leanSentence(call({ lean_late_m: 0.2 }), "metric")).toContain("20 cm late");
  expect(leanSentence(call({ lean_late_m: -0.2 }), "metric")).toContain("20 cm early");
});
