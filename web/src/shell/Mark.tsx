import { ink } from "../theme";

/** The house's mark: a kerb round a corner, and the line a vehicle takes inside it. */
export const Mark = ({ size }: { size: number }) => (
  <svg width={size} height={size * 0.75} viewBox="0 0 40 30" aria-hidden="true">
    <path d="M4 28V16A13 13 0 0 1 17 3H38" fill="none" stroke={ink.marigold} strokeWidth={4.5} />
    <path
      d="M15 28V20A7 7 0 0 1 22 13H38"
      fill="none"
      stroke="#9AA5A5"
      strokeWidth={2.5}
      strokeDasharray="4 3"
    />
  </svg>
);
