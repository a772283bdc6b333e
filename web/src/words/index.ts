/** What the screens say. A sentence is a line in `en.json`; a language is a file beside it. */
import i18next, { type ParseKeys } from "i18next";
import { initReactI18next } from "react-i18next";
import en from "./en.json";

/** Which sentence: its area and its code in the catalogue. */
export type Code = ParseKeys;

i18next.use(initReactI18next).init({
  lng: "en",
  fallbackLng: "en",
  resources: { en: { translation: en } },
  // Places are written as the core's catalogue writes them; React escapes what goes into them.
  interpolation: { prefix: "{", suffix: "}", escapeValue: false },
});

/** Told when it is asked: what is kept outside a component is a `Code`, not its sentence. */
export const t = i18next.t;

/** A name that the core or the server gives, in words; one that somebody gave, as it is. */
export const named = (name: string): string =>
  Object.hasOwn(en.names, name)
    ? t(`names.${name as keyof typeof en.names}`)
    : (core[name] ?? name);

/** As what stands first is written. */
export const capital = (text: string): string => text.charAt(0).toLocaleUpperCase() + text.slice(1);

let core: Readonly<Record<string, string>> = {};

const LANGUAGES = import.meta.glob<typeof en>(["./*.json", "!./en.json"], { import: "default" });

/**
 * Speaks to a locale from now on: in its own catalogue, else in its language's, else in English.
 * `names` says how the core's own names are told there. Answers with what is spoken.
 */
export const speak = async (locale: string, names: typeof core): Promise<string> => {
  for (const language of [locale, locale.split("-")[0]]) {
    const words = await LANGUAGES[`./${language}.json`]?.();
    if (words) i18next.addResourceBundle(language ?? "", "translation", words);
  }
  await i18next.changeLanguage(locale);
  core = names;
  const spoken = i18next.resolvedLanguage ?? "en";
  return locale.startsWith(spoken) ? locale : spoken;
};

const formats = new Map<string, Intl.NumberFormat>();

/** A figure as the locale writes it, with so many digits, or as many as it has. */
export const decimal = (value: number, digits?: number): string => {
  const key = `${i18next.language} ${digits}`;
  const format =
    formats.get(key) ??
    new Intl.NumberFormat(i18next.language, {
      useGrouping: false,
      // Nobody says minus nought.
      signDisplay: "negative",
      minimumFractionDigits: digits ?? 0,
      maximumFractionDigits: digits ?? 6,
    });
  formats.set(key, format);
  return format.format(value).replace("-", "−");
};
