import { describe, expect, it } from "vitest";
import type { Frame } from "../api/types";
import { CAR } from "../testing";
import { frameAt } from "./film";
import { makeFrame, placed } from "./frame";
import { landOf } from "./land";
import { handsY, LANES, lookMarks } from "./lanes";
import { at } from "./scrub";
import { trailerPose } from "./TrailerShape";
import { bodyCorners } from "./VehicleShape";

const BOUNDS = { left: -5, right: 5, bottom: -2, top: 3 };

describe("the slab", () => {
  const frame = makeFrame(800, 300, BOUNDS);
  it("has one scale both ways, y upward, and gives a pointer back", () => {
    expect(frame.x(1) - frame.x(0)).toBeCloseTo(frame.scale);
    expect(frame.y(0) - frame.y(1)).toBeCloseTo(frame.scale);
    const [x, y] = frame.toSite(frame.x(1.25), frame.y(-0.5));
    expect([x, y]).toEqual([expect.closeTo(1.25), expect.closeTo(-0.5)]);
  });
  it("has the middle of what is drawn in the middle of its box", () => {
    for (const [width, height] of [
      [800, 300],
      [800, 900],
    ] as const) {
      const centred = makeFrame(width, height, BOUNDS);
      expect([centred.x(0), centred.y(0.5)]).toEqual([
        expect.closeTo(width / 2),
        expect.closeTo(height / 2),
      ]);
      expect(centred.bounds.top - centred.bounds.bottom).toBeCloseTo(height / centred.scale);
    }
  });
  it("turns a body anticlockwise by its heading", () => {
    const [x, y] = placed({ x_m: 1, y_m: 2, heading_deg: 90 }, [3, 0.5]);
    expect([x, y]).toEqual([expect.closeTo(0.5), expect.closeTo(5)]);
  });
});

describe("the sight picture, rolled on", () => {
  const frame = (s_m: number, x: number, extra: number[] = []): Frame => ({
    s_m,
    outside: [{ kind: "kerb", name: "kerb", points: [x, 0, x + 1, 0, x, 1, ...extra] }],
    hung: [],
    glass: null,
  });
  const xAt = (film: Frame[], s: number) => frameAt(film, s)?.outside[0]?.points[0];
  it("moves its corners straight on from one frame to the next", () => {
    const film = [frame(0, 10), frame(0.5, 20), frame(1, 60)];
    expect(xAt(film, 0)).toBeCloseTo(10);
    expect(xAt(film, 0.25)).toBeCloseTo(15);
    expect(xAt(film, 0.75)).toBeCloseTo(40);
    expect(xAt(film, 7)).toBeCloseTo(60);
  });
  it("shows the nearer frame where a corner came or went", () => {
    const film = [frame(0, 10), frame(1, 20, [5, 5])];
    expect(xAt(film, 0.4)).toBe(10);
    expect(xAt(film, 0.6)).toBe(20);
  });
  it("shows nothing without a film", () => expect(frameAt([], 1)).toBeNull());
});

describe("a vehicle", () => {
  it("is as long and wide as it was measured", () => {
    const corners = bodyCorners(CAR);
    expect(Math.max(...corners.map(([x]) => x))).toBeCloseTo(3.3);
    expect(Math.min(...corners.map(([x]) => x))).toBeCloseTo(-0.7);
    expect(Math.max(...corners.map(([, y]) => y))).toBeCloseTo(0.9);
  });
  it("draws its trailer behind it", () => {
    const trailer = {
      hitch_ahead_of_axle_m: -1,
      kingpin_to_axle_m: 4,
      length_m: 5,
      width_m: 2,
      front_of_kingpin_m: 0,
      max_articulation_deg: 60,
    };
    const at = { x_m: 0, y_m: 0, heading_deg: 0, s_m: 0, turns: 0, wheel_deg: 0, leg: 0 };
    const straight = trailerPose(trailer, { ...at, trailer_heading_deg: 0 });
    expect([straight.x_m, straight.y_m]).toEqual([expect.closeTo(-5), expect.closeTo(0)]);
    const bent = trailerPose(trailer, { ...at, trailer_heading_deg: 90 });
    expect([bent.x_m, bent.y_m]).toEqual([expect.closeTo(-1), expect.closeTo(-4)]);
    expect([straight.heading_deg, bent.heading_deg]).toEqual([0, 90]);
  });
});

it("hands that turn toward the working side are drawn above the middle, on either side", () => {
  expect(handsY(1.5, 1.5, 1)).toBe(LANES.top);
  expect(handsY(-1.5, 1.5, -1)).toBe(LANES.top);
  expect(handsY(-0.75, 1.5, 1)).toBeGreaterThan(LANES.middle);
});

it("the land behind a corner's kerb is closed over its far corner", () => {
  const kerb = [
    [12, 0],
    [2, 0.5],
    [0.5, 2],
    [0, 9],
  ] as const;
  expect(landOf(kerb)).toEqual([...kerb, [12, 9]]);
  expect(landOf(kerb.map(([x, y]) => [-x, y] as const)).at(-1)).toEqual([-12, 9]);
});

it("between two samples the vehicle is between them", () => {
  const point = { y_m: 0, heading_deg: 0, turns: 0, wheel_deg: 0, leg: 0 };
  const path = [
    { ...point, s_m: 0, x_m: 0 },
    { ...point, s_m: 1, x_m: -1, y_m: 2, heading_deg: 40, turns: -1, wheel_deg: 20, leg: 1 },
  ];
  const quarter = { x_m: -0.25, y_m: 0.5, heading_deg: 10, turns: -0.25, wheel_deg: 5 };
  expect(at(path, 0.25)).toEqual({ ...quarter, s_m: 0.25, leg: 1 });
  expect(at(path, 9).x_m).toBe(-1);
});

describe("the eyes' lane", () => {
  const due = (step: number, x: number, name: string) => ({ step, x, name });
  it("has one eye for all looks of a step, with their names while there is room", () => {
    const looks = [due(0, 0, "all round"), due(0, 0, "behind"), due(1, 300, "nose")];
    expect(lookMarks(looks, 400).map((mark) => mark.text)).toEqual(["all round, behind", "nose"]);
    expect(lookMarks(looks, 340).map((mark) => mark.text)).toEqual(["all round, behind", ""]);
    expect(lookMarks(looks.with(2, due(1, 110, "nose")), 400)[0]?.text).toBe("all round +1");
  });
  it("puts no eye on another, however close the steps come", () => {
    const xs = lookMarks([due(0, 0, "a"), due(1, 3, "b"), due(2, 4, "c")], 90).map((m) => m.x);
    expect(xs).toEqual([6, 26, 46]);
  });
});
