/** Hands a file to the person; what is none yet goes as JSON. */
export const download = (name: string, content: unknown): void => {
  const file =
    content instanceof Blob
      ? content
      : new Blob([JSON.stringify(content, null, 2)], { type: "application/json" });
  const url = URL.createObjectURL(file);
  const link = document.createElement("a");
  link.href = url;
  link.download = name.replace(/[^\w.-]+/g, "-").toLowerCase();
  link.click();
  URL.revokeObjectURL(url);
};
