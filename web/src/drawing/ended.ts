/** How finishes are told apart wherever several of them are drawn. */

/** One that did not meet the standard. */
export const UNMET = { stroke: "#FF9B7D", strokeDasharray: "5 4" } as const;

/** How strongly one is drawn that was taped, and one that was only looked at. */
export const opacityOf = ({ by_eye }: { by_eye: boolean }): number => (by_eye ? BY_EYE : 0.8);
export const BY_EYE = 0.4;
