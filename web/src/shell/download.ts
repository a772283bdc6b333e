/** Hands a document to the person as a JSON file. */
export const download = (name: string, content: unknown): void => {
  const text = JSON.stringify(content, null, 2);
  const url = URL.createObjectURL(new Blob([text], { type: "application/json" }));
  const link = document.createElement("a");
  link.href = url;
  link.download = name.replace(/[^\w.-]+/g, "-").toLowerCase();
  link.click();
  URL.revokeObjectURL(url);
};
