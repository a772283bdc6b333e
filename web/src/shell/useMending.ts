/** What can be done about what the server would not have: nothing of it is thrown away unasked. */

import { ask } from "../api/client";
import { change, drop } from "../device/outbox";
import { tell } from "../device/sending";
import { store, type Unsent } from "../device/store";
import { useKeepForLater } from "./useStored";

export type Mending = ReturnType<typeof useMending>;

export const useMending = (send: () => Promise<void>) => {
  const keepForLater = useKeepForLater();
  const put = async (one: Unsent) => {
    await change(await store(), { ...one, refused: null, left: false });
    tell();
    await send();
  };
  return {
    again: put,
    /** Over what somebody else has put there meanwhile, which stays among its earlier states. */
    allTheSame: async (one: Unsent) => {
      const path = { lesson_id: Number(one.params.lesson_id) };
      const { version } = await ask.get("/api/lessons/{lesson_id}", { params: { path } });
      await put({ ...one, body: { ...one.body, based_on: version } });
    },
    /** Typed there again, beside what somebody else has put in meanwhile. */
    backIntoTape: async (one: Unsent) => {
      const { based_on: _, why, ...readings } = one.body;
      keepForLater(`tape/${one.params.attempt_id}`, readings);
      if (why) keepForLater(`why/${one.params.attempt_id}`, why);
      if (one.seq !== undefined) await drop(await store(), one.seq);
      tell();
    },
    leaveOut: async (one: Unsent) => {
      await change(await store(), { ...one, left: true });
      tell();
    },
  };
};
