/** The eyes' lane: an eye where looks are due, their names beside it while there is room. */
import type { Look, Metres } from "../api/types";
import { ink } from "../theme";
import { named } from "../words";
import { lookMarks } from "./lanes";

interface Props {
  looks: readonly Look[];
  x: (m: Metres) => number;
  y: number;
  end: number;
}

export const RibbonLooks = ({ looks, x, y, end }: Props) => (
  <g fontSize={12} fill={ink.ink}>
    {lookMarks(
      looks.map((look) => ({ step: look.step, x: x(look.s_m), name: named(look.look) })),
      end,
    ).map((mark) => (
      <g key={mark.step} transform={`translate(${mark.x} ${y})`} data-eye={mark.names.length}>
        <path
          d="M0 0C3 -4.5 6 -5.2 9 -5.2S15 -4.5 18 0C15 4.5 12 5.2 9 5.2S3 4.5 0 0Z"
          fill={ink.teal}
        />
        <circle cx={9} cy={0} r={2.6} fill={ink.sheet} />
        {mark.text && (
          <text x={22} y={4}>
            {mark.text}
          </text>
        )}
      </g>
    ))}
  </g>
);
