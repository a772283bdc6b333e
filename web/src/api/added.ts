import type { QueryClient } from "@tanstack/react-query";

/** The school has something more: lists are asked for anew, and a docket that lacked it. */
export const added = async (client: QueryClient, to: "documents" | "people") => {
  await client.invalidateQueries({ queryKey: [to] });
  // One that nobody looks at now would be told as lacking when somebody does.
  const lacking = { queryKey: ["docket"], type: "inactive" } as const;
  client.removeQueries({ ...lacking, predicate: ({ state }) => state.status === "error" });
  await client.invalidateQueries({ queryKey: ["docket"] });
};
