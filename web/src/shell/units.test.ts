import { afterEach, describe, expect, it } from "vitest";
import cases from "../../../tests/lengths.json";
import { named, speak } from "../words";
import {
  degrees,
  distance,
  finely,
  hands,
  length,
  parseLength,
  percent,
  roughly,
  ruler,
  short,
  speed,
  turns,
} from "./units";

describe("a length", () => {
  // The same table is held against the core's words.
  it.each(cases as [number, string, string][])("of %d m", (metres, metric, imperial) => {
    expect(length(metres, "metric")).toBe(metric);
    expect(length(metres, "imperial")).toBe(imperial);
  });
  it("is told in centimetres up to a metre, then in metres", () => {
    expect(length(0.346, "metric")).toBe("35 cm");
    expect(length(0.994, "metric")).toBe("99 cm");
    expect(length(1.256, "metric")).toBe("1.26 m");
    expect(length(-0.12, "metric")).toBe("−12 cm");
  });
  it("is told in feet and half inches, an inch being 2.54 cm", () => {
    expect(length(0.3048, "imperial")).toBe("1 ft 0 in");
    expect(length(0.089, "imperial")).toBe("3.5 in");
    expect(length(-0.4064, "imperial")).toBe("−1 ft 4 in");
    // Rounding must not leave twelve inches over.
    expect(length(0.6083, "imperial")).toBe("2 ft 0 in");
  });
  it("has a dash where there is none", () => expect(length(null, "metric")).toBe("–"));
  it("is rounded as a driver can act on it", () => {
    expect(roughly(0.73, "metric")).toBe("75 cm");
    expect(roughly(0.73, "imperial")).toBe("2 ft 4 in");
  });
  it("is whole once it is far", () => {
    expect(distance(41.6, "metric")).toBe("42 m");
    expect(distance(41.6, "imperial")).toBe("136 ft");
    expect([distance(9.4, "metric"), distance(2.9, "imperial")]).toEqual(["9.40 m", "9 ft 6 in"]);
  });
  it("rounds to 1 mm or 0.05 in where precision matters", () => {
    expect([finely(0.0374, "metric"), finely(0.0381, "imperial")]).toEqual(["37 mm", "1.5 in"]);
  });
  it("has a ruler with a mark each metre or each foot", () => {
    expect(ruler("metric")).toMatchObject({ name: "metres", metres: 1, step: 0.1 });
    expect(ruler("imperial").metres).toBeCloseTo(0.3048, 9);
    expect(ruler("imperial").step).toBeCloseTo(0.1016, 9);
  });
  it("has a bare number where there is no room for a unit", () => {
    expect([short(0.254, "metric"), short(0.254, "imperial")]).toEqual(["25", "10"]);
  });
});

describe("what is typed", () => {
  it.each([
    ["25", "cm", 0.25],
    ["25", "m", 25],
    ["0,25 m", "cm", 0.25],
    ["250 mm", "m", 0.25],
    ["10 in", "m", 0.254],
    ["3 ft 6 in", "m", 1.0668],
    ["3' 6\"", "m", 1.0668],
    ["2", "ft", 0.6096],
    ["−4", "cm", -0.04],
    ["0.4", "cm", 0.4],
    ["1,25", "cm", 1.25],
    ["7.5", "cm", 0.075],
    ["2", "cm", 0.02],
    ["1'4", "cm", 0.4064],
  ] as const)("%s, bare numbers in %s", (typed, bare, metres) => {
    expect(parseLength(typed, bare)).toBeCloseTo(metres, 9);
  });
  it.each(["", "a lot", "1 2", "3 ft 6 m"])("%s is no length", (typed) =>
    expect(parseLength(typed, "m")).toBeNull(),
  );
  it("comes back as it was told", () => {
    for (const units of ["metric", "imperial"] as const)
      for (const metres of [0.127, 0.9144, 1.7018])
        expect(parseLength(length(metres, units), "m")).toBeCloseTo(metres, 2);
  });
});

it("turns, degrees and shares are told plainly", () => {
  expect([turns(-1), turns(0.75)]).toEqual(["1 turn", "0.75 turns"]);
  expect([degrees(-3.6), degrees(2.25, 1)]).toEqual(["−4°", "2.3°"]);
  expect(percent(0.254)).toBe("25 %");
});

it("converts turns per metre to turns per foot: 1 ft is 0.3048 m", () => {
  expect([hands(2, "metric"), hands(2, "imperial")]).toEqual(["2.0 turns/m", "0.61 turns/ft"]);
  expect([speed(0.5, "metric"), speed(0.6096, "imperial")]).toEqual(["0.5 m/s", "2.0 ft/s"]);
});

describe("a figure in another language", () => {
  afterEach(() => speak("en", {}));
  it("is written and read as people there do", async () => {
    await speak("de-DE", {});
    expect([length(1.5, "metric"), length(0.75, "imperial")]).toEqual(["1,50 m", "2 ft 5,5 in"]);
    expect([degrees(-2.25, 1), turns(0.75)]).toEqual(["−2,3°", "0,75 turns"]);
    expect(parseLength(length(1.5, "metric"), "m")).toBe(1.5);
  });
  it("has the words of its own catalogue, and the core's names as the core says them", async () => {
    await speak("en-XA", { "rear bumper": "Heck" });
    expect([turns(2), named("rear bumper"), named("left")]).toEqual([
      "2 tuúrŕnńsś",
      "Heck",
      "lĺeéft",
    ]);
    expect(named("Joe's wall")).toBe("Joe's wall");
  });
});

it("nought has no minus, however little it was less", () => {
  expect([degrees(-0.001, 1), length(-0.0001, "metric")]).toEqual(["0.0°", "0 cm"]);
});
