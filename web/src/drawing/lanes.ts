/** The ribbon's lanes, px from its top, and how high the hands' line runs in theirs. */
export const LANES = { call: 26, top: 50, middle: 84, bottom: 118, eyes: 142, axis: 168 } as const;

/** Toward the working side is up, whichever side that is; turns are left positive. */
export const handsY = (turns: number, lockTurns: number, toward: 1 | -1): number =>
  LANES.middle - ((turns * toward) / lockTurns) * (LANES.middle - LANES.top);
