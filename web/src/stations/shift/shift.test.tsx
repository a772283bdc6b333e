import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, it } from "vitest";
import type { FinishSet } from "../../api/types";
import { FrameProvider, makeFrame } from "../../drawing/frame";
import { CAR } from "../../testing";
import { ink } from "../../theme";
import { Marks } from "./FinishSlab";
import { ENDS, headline } from "./words";

type Advice = NonNullable<FinishSet["advice"]>;

const ADVICE: Advice = {
  kind: "move cue",
  call: 2,
  by_m: -0.15,
  chance: 0.5,
  chance_after: 0.8,
  explained: 0.9,
  scatter_share: [0, 1],
  p_value: 0.01,
  level: 0.05,
  needed: 6,
};

describe("advice", () => {
  it("moves a cue earlier when it is negative, else later", () => {
    expect(headline(ADVICE, "metric")).toBe("Move call 2: 15 cm earlier");
    expect(headline({ ...ADVICE, by_m: 0.15 }, "metric")).toBe("Move call 2: 15 cm later");
    expect(headline({ ...ADVICE, by_m: 0.127 }, "imperial")).toBe("Move call 2: 5 in later");
  });
  it("calls less room nearer, and a nose toward the edge in", () => {
    expect(ENDS.kerb_m).toEqual(["names.nearer", "names.farther"]);
    expect(ENDS.angle_deg).toEqual(["names.nose out", "names.nose in"]);
  });
});

it("draws the finishes that count, and none that was spoilt", () => {
  const pose = { x_m: 0, y_m: 0, heading_deg: 0 };
  const mark = (counted: boolean, y_m: number) =>
    ({ attempt: `${y_m}`, pose: { ...pose, y_m }, outcome: "met", met: true, counted }) as never;
  const finishes = { marks: [mark(true, 0), mark(true, 0.2), mark(false, 2)] } as never;
  const frame = makeFrame(400, 300, { left: -5, right: 5, bottom: -4, top: 4 });
  const drawn = renderToStaticMarkup(
    <FrameProvider value={frame}>
      <Marks vehicle={CAR} plan={pose} finishes={finishes} />
    </FrameProvider>,
  );
  expect(drawn.split(`fill="${ink.pale}"`)).toHaveLength(1 + 2);
});
