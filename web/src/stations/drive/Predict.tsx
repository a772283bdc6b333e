/** Before rolling: if you steer now, where does it end, and which way does the tail go? */

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useQuery } from "@tanstack/react-query";
import { useId, useState } from "react";
import { ask } from "../../api/client";
import type { components } from "../../api/schema";
import type { Metres, Notes, Sheet } from "../../api/types";
import { placed, useFrame } from "../../drawing/frame";
import { Slab } from "../../drawing/Slab";
import { noseX, VehicleShape } from "../../drawing/VehicleShape";
import { PLACES } from "../../places";
import { Failure, Waiting } from "../../shell/states";
import { length } from "../../shell/units";
import { useUnits } from "../../shell/useDocket";
import { ink } from "../../theme";
import { t } from "../../words";
import { shuffled } from "./chance";

type Asked = components["schemas"]["PredictOut"];
type Guess = Notes["predicted"][number];

interface Props {
  sheet: Sheet;
  keep: (guess: Guess) => void;
  close: () => void;
}

/** Early, on and late by so much that the ends can be told apart. */
const MOMENTS: readonly Metres[] = [-0.6, 0, 0.6];
const LETTERS = ["A", "B", "C"];
type Way = Asked["tail"];
const WAYS = ["toward", "away", "neither"] as const;

export const Predict = ({ sheet, keep, close }: Props) => {
  const title = useId();
  const [call, setCall] = useState(1);
  const [turn, setTurn] = useState(0);
  const question = useQuestion(sheet, call, turn);
  const { calls } = sheet.plan;
  return (
    <Dialog open fullWidth maxWidth="lg" onClose={close} aria-labelledby={title}>
      <DialogTitle id={title}>{t("learning.if you steer now")}</DialogTitle>
      <DialogContent sx={{ display: "grid", gap: 1, alignContent: "start" }}>
        {calls.length > 1 && (
          <Box role="group" aria-label={t("learning.at which call")} sx={row}>
            {calls.map(({ number }) => (
              <Button
                key={number}
                variant={number === call ? "contained" : "outlined"}
                aria-pressed={number === call}
                sx={{ minHeight: 44 }}
                onClick={() => setCall(number)}
              >
                {t("drive.call", { number })}
              </Button>
            ))}
          </Box>
        )}
        {question.error && <Failure error={question.error} />}
        {question.isPending && <Waiting what={t("learning.working out what follows")} />}
        {question.data && (
          <Question
            key={`${call}/${turn}`}
            sheet={sheet}
            call={call}
            asked={question.data}
            keep={keep}
            another={() => setTurn(turn + 1)}
          />
        )}
      </DialogContent>
      <DialogActions>
        <Button sx={{ minHeight: 44 }} onClick={close}>
          {t("cues.close")}
        </Button>
      </DialogActions>
    </Dialog>
  );
};

/** Another moment for every turn; what it is stands first among the moments asked for. */
const useQuestion = (sheet: Sheet, call: number, turn: number) =>
  useQuery({
    queryKey: ["predict", sheet.id, call, turn],
    queryFn: ({ signal }) => {
      const [by_m = 0, ...others_m] = shuffled(MOMENTS);
      return ask.post("/api/sheets/{sheet_id}/predict", {
        params: { path: { sheet_id: sheet.id } },
        body: { call, by_m, others_m },
        signal,
      });
    },
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
    retry: false,
  });

interface QuestionProps {
  sheet: Sheet;
  call: number;
  asked: Asked;
  keep: (guess: Guess) => void;
  another: () => void;
}

const Question = ({ sheet, call, asked, keep, another }: QuestionProps) => {
  const units = useUnits();
  const [ends] = useState(() => shuffled(asked.ends));
  const [end, setEnd] = useState<Metres | null>(null);
  const [tail, setTail] = useState<Way | null>(null);
  const by_m = asked.ends[0]?.by_m ?? 0;
  const answered = end !== null && tail !== null;
  const choose = (part: { end?: Metres; tail?: Way }) => {
    const now = { end: part.end ?? end, tail: part.tail ?? tail };
    setEnd(now.end);
    setTail(now.tail);
    if (now.end !== null && now.tail !== null)
      keep({ call, by_m, end_m: now.end, tail: now.tail, goes: asked.tail });
  };
  const right = (is: boolean) => t(is ? "learning.right guess" : "learning.wrong guess");
  const letterOf = (by: Metres) => LETTERS[ends.findIndex((one) => one.by_m === by)] ?? "";
  const { Scene } = PLACES[sheet.ground.body.goal.kind];
  return (
    <>
      <Box sx={{ height: { xs: 260, md: 340 } }}>
        <Slab
          named={false}
          bounds={sheet.plan.drawing.view}
          label={t("learning.where it stands now and three ends")}
        >
          <Scene ground={sheet.ground.body} />
          {ends.map((one, i) => (
            <g key={one.by_m}>
              <VehicleShape
                vehicle={sheet.vehicle.body}
                pose={one.pose}
                look={answered && one.by_m === by_m ? "saved" : "ghost"}
              />
              <Letter sheet={sheet} pose={one.pose} letter={LETTERS[i] ?? ""} />
            </g>
          ))}
          <VehicleShape vehicle={sheet.vehicle.body} pose={asked.here} look="start" />
        </Slab>
      </Box>
      <Box sx={{ fontSize: 18 }}>
        {t("learning.it stands here", { say: sheet.method.body.steps[call]?.say ?? "" })}
      </Box>
      <Box role="group" aria-label={t("learning.where does it end")} sx={row}>
        <Box sx={{ width: 190 }}>{t("learning.where does it end")}</Box>
        {ends.map((one, i) => (
          <Button
            key={one.by_m}
            variant={end === one.by_m ? "contained" : "outlined"}
            aria-pressed={end === one.by_m}
            disabled={answered}
            sx={choice}
            onClick={() => choose({ end: one.by_m })}
          >
            {LETTERS[i]}
          </Button>
        ))}
      </Box>
      <Box role="group" aria-label={t("learning.where does the tail go")} sx={row}>
        <Box sx={{ width: 190 }}>{t("learning.where does the tail go")}</Box>
        {WAYS.map((way) => (
          <Button
            key={way}
            variant={tail === way ? "contained" : "outlined"}
            aria-pressed={tail === way}
            disabled={answered}
            sx={choice}
            onClick={() => choose({ tail: way })}
          >
            {t(`learning.goes ${way}`)}
          </Button>
        ))}
      </Box>
      {answered && (
        <Box role="status" sx={{ fontSize: 18 }}>
          <strong>{right(end === by_m)}</strong>{" "}
          {t(
            by_m === 0
              ? "learning.it ends on"
              : by_m < 0
                ? "learning.it ends early"
                : "learning.it ends late",
            {
              letter: letterOf(by_m),
              by: length(Math.abs(by_m), units),
            },
          )}{" "}
          <strong>{right(tail === asked.tail)}</strong>{" "}
          {t("learning.the tail goes", { way: t(`learning.goes ${asked.tail}`) })}
          <Button sx={{ minHeight: 44, ml: 1 }} onClick={another}>
            {t("learning.another moment")}
          </Button>
        </Box>
      )}
    </>
  );
};

const Letter = ({ sheet, pose, letter }: { sheet: Sheet; pose: Asked["here"]; letter: string }) => {
  const frame = useFrame();
  const [x, y] = placed(pose, [noseX(sheet.vehicle.body) * 0.9, 0]);
  return (
    <g>
      <circle cx={frame.x(x)} cy={frame.y(y)} r={13} fill={ink.marigold} stroke={ink.ink} />
      <text
        x={frame.x(x)}
        y={frame.y(y) + 5}
        textAnchor="middle"
        fontSize={15}
        fontWeight={800}
        fill={ink.ink}
      >
        {letter}
      </text>
    </g>
  );
};

const row = { display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1 } as const;
const choice = { minHeight: 48, minWidth: 64, fontSize: 16 } as const;
