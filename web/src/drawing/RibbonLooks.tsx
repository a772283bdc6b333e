/** The eyes' lane: each look where it is due, its name beside it while there is room. */
import type { Look, Metres } from "../api/types";
import { ink } from "../theme";
import { named } from "../words";

interface Props {
  looks: readonly Look[];
  x: (m: Metres) => number;
  y: number;
  end: number;
}

export const RibbonLooks = ({ looks, x, y, end }: Props) => (
  <g fontSize={12} fill={ink.ink}>
    {looks.map((look, i) => {
      const at = x(look.s_m) + 6;
      const next = looks[i + 1];
      const room = (next ? x(next.s_m) : end) - at - 24;
      return (
        <g key={`${look.step}-${look.look}`} transform={`translate(${at} ${y})`}>
          <path
            d="M0 0C3 -4.5 6 -5.2 9 -5.2S15 -4.5 18 0C15 4.5 12 5.2 9 5.2S3 4.5 0 0Z"
            fill={ink.teal}
          />
          <circle cx={9} cy={0} r={2.6} fill={ink.sheet} />
          {room > named(look.look).length * 6 && (
            <text x={22} y={4}>
              {named(look.look)}
            </text>
          )}
        </g>
      );
    })}
  </g>
);
