/** The ribbon's lanes, px from its top, and how high the hands' line runs in theirs. */
export const LANES = { call: 26, top: 50, middle: 84, bottom: 118, eyes: 142, axis: 168 } as const;

/** Toward the working side is up, whichever side that is; turns are left positive. */
export const handsY = (turns: number, lockTurns: number, toward: 1 | -1): number =>
  LANES.middle - ((turns * toward) / lockTurns) * (LANES.middle - LANES.top);

/** An eye and the gap after it, px; a letter of the names beside it. */
const EYE = 20;
const LETTER = 6;

interface Due {
  step: number;
  x: number;
  name: string;
}

/** One eye for all looks of a step, none on top of another; as many of their names as have room. */
export const lookMarks = (looks: readonly Due[], end: number) => {
  const steps = [...new Set(looks.map((look) => look.step))];
  let free = Number.NEGATIVE_INFINITY;
  const eyes = steps.map((step) => {
    const due = looks.filter((look) => look.step === step);
    const x = Math.max((due[0]?.x ?? 0) + 6, free);
    free = x + EYE;
    return { step, x, names: due.map((look) => look.name) };
  });
  return eyes.map((eye, i) => {
    const room = (eyes[i + 1]?.x ?? end) - eye.x - EYE - 4;
    const told = [eye.names.join(", "), `${eye.names[0]} +${eye.names.length - 1}`];
    return { ...eye, text: told.find((text) => text.length * LETTER < room) ?? "" };
  });
};
