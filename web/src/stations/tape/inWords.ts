import { ApiError } from "../../api/client";
import { measureName } from "../../judging/measures";
import type { FinishWords } from "../../places";

/** The server names the reading by its field; the person knows it by its label. */
export const inWords = (error: Error, words: FinishWords): string =>
  error instanceof ApiError && error.field
    ? `${measureName(error.field, words)}: ${error.problem}`
    : error.message;
