/* What a page says, and where it says it badly: for tests in a language with longer words.

   texts : whatever can be read or heard; cut : text that its own box, or one around it, hides;
   crossed : text that lies over other text, sticks out of its box, or is covered by something. */
async () => {
  await document.fonts.ready;
  const found = { texts: new Set(), cut: new Set(), crossed: new Set() };
  const hides = (how) => how === "hidden" || how === "clip";
  const scrolls = (how) => how === "auto" || how === "scroll";
  const within = (inner, outer, sides) =>
    (!sides.x || (inner.left > outer.left - 2 && inner.right < outer.right + 2)) &&
    (!sides.y || (inner.top > outer.top - 3 && inner.bottom < outer.bottom + 3));

  /* Where it is cut by something around it; null where somebody has to scroll to see it at all. */
  const cutBy = (element, rect) => {
    for (let around = element; around !== document.documentElement; around = around.parentElement) {
      const style = getComputedStyle(around);
      const box = around.getBoundingClientRect();
      if (scrolls(style.overflowY)) return within(rect, box, { y: true }) ? "" : null;
      const svg = around.tagName === "svg";
      const sides = { x: svg || hides(style.overflowX), y: svg || hides(style.overflowY) };
      if (!within(rect, box, sides)) return around.getAttribute("aria-label") || around.tagName;
    }
    return "";
  };

  const read = (text) => found.texts.add(text.trim().replace(/\s+/g, " "));
  const shown = [];
  // What lies under a dialog is not to be read.
  const page = document.querySelector("[role=dialog]") ?? document.body;
  const walker = document.createTreeWalker(page, NodeFilter.SHOW_TEXT);
  while (walker.nextNode()) {
    const node = walker.currentNode;
    const element = node.parentElement;
    if (!node.textContent.trim() || element.closest("script, style, noscript")) continue;
    // Told to those who listen, or shown once it has the focus.
    if (element.closest("[data-unseen]")) {
      read(node.textContent);
      continue;
    }
    if (getComputedStyle(element).visibility === "hidden") continue;
    const range = document.createRange();
    range.selectNodeContents(node);
    const rects = [...range.getClientRects()].filter((rect) => rect.width > 1 && rect.height > 1);
    if (!rects.length) continue;
    read(node.textContent);
    for (const rect of rects) {
      const text = node.textContent.trim().slice(0, 60);
      const by = cutBy(element, rect);
      if (by) found.cut.add(`${text} (by ${by})`);
      if (by !== "") continue;
      const box = element.closest("button, a, td, th, section, .MuiPaper-root");
      if (box && !within(rect, box.getBoundingClientRect(), { x: true }))
        found.crossed.add(`${text} (out of its ${box.tagName})`);
      const top = document.elementFromPoint(rect.right - 2, (rect.top + rect.bottom) / 2);
      if (top && !element.contains(top) && !top.contains(element) && !element.closest("svg"))
        found.crossed.add(`${text} (under a ${top.tagName})`);
      shown.push({ rect, text, element });
    }
  }
  for (const element of page.querySelectorAll("[aria-label], [title], [aria-description]"))
    for (const name of ["aria-label", "title", "aria-description"])
      if (element.hasAttribute(name)) read(element.getAttribute(name));
  for (const input of page.querySelectorAll("input[type=text], textarea"))
    if (input.scrollWidth > input.clientWidth + 2) found.cut.add(`${input.value} (in its field)`);
  shown.forEach((one, i) => {
    for (const other of shown.slice(i + 1)) {
      if (one.element.contains(other.element) || other.element.contains(one.element)) continue;
      const wide = Math.min(one.rect.right, other.rect.right) - Math.max(one.rect.left, other.rect.left);
      const high = Math.min(one.rect.bottom, other.rect.bottom) - Math.max(one.rect.top, other.rect.top);
      if (wide > 2 && high > 5) found.crossed.add(`${one.text} (over ${other.text})`);
    }
  });
  if (document.documentElement.scrollWidth > innerWidth + 1) found.cut.add("the page, sideways");
  return Object.fromEntries(Object.entries(found).map(([name, set]) => [name, [...set]]));
};
