/** Days and hours as the school has them, written as its country does. */
import { useSchool } from "./useDocket";

const HOUR = { hour: "2-digit", minute: "2-digit" } as const;
const DAY = { day: "numeric", month: "short" } as const;

export const useDates = () => {
  const { locale, time_zone: timeZone } = useSchool();
  const written = (options: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(locale, { timeZone, ...options });
  const hour = written(HOUR);
  const moment = written({ ...DAY, ...HOUR });
  const lesson = written({ weekday: "short", ...DAY, ...HOUR });
  const stamp = written({ ...DAY, year: "numeric", ...HOUR });
  // A day by itself lies in no time zone.
  const day = written({ ...DAY, year: "numeric", timeZone: "UTC" });
  // What a browser's field for day and hour takes is written as Sweden writes them.
  const field = new Intl.DateTimeFormat("sv-SE", {
    timeZone,
    dateStyle: "short",
    timeStyle: "short",
  });
  return {
    typed: (iso: string) => field.format(new Date(iso)).replace(" ", "T"),
    hour: (iso: string) => hour.format(new Date(iso)),
    moment: (iso: string) => moment.format(new Date(iso)),
    stamp: (iso: string) => stamp.format(new Date(iso)),
    lesson: (iso: string) => lesson.format(new Date(iso)),
    day: (iso: string) => day.format(new Date(`${iso}T00:00:00Z`)),
  };
};
