import { renderToStaticMarkup } from "react-dom/server";
import { expect, it } from "vitest";
import { FrameProvider, makeFrame } from "../../drawing/frame";
import { CAR } from "../../testing";
import { ink } from "../../theme";
import { Marks } from "./FinishSlab";
import { ENDS } from "./MeasureTable";

it("calls less room nearer, and a nose toward the edge in", () => {
  expect(ENDS.kerb_m).toEqual(["names.nearer", "names.farther"]);
  expect(ENDS.angle_deg).toEqual(["names.nose out", "names.nose in"]);
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
