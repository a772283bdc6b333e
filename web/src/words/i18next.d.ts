import "i18next";
import type en from "./en.json";

// A code that no catalogue has, and a place that a sentence has not, are errors of the compiler.
declare module "i18next" {
  interface CustomTypeOptions {
    resources: { translation: typeof en };
    interpolationPrefix: "{";
    interpolationSuffix: "}";
  }
}
