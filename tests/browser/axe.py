"""What axe finds wrong with a page as it stands, by WCAG 2.2 AA."""

from pathlib import Path

__all__ = ["found"]

_AXE = Path(__file__).resolve().parents[2] / "web/node_modules/axe-core/axe.min.js"
_RUN = """async (within) => {
  const tags = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"];
  const { violations } = await axe.run(document.querySelector(within) ?? document, {
    runOnly: { type: "tag", values: tags },
    // Faster: no details of rules that pass, and no style sheets fetched again.
    resultTypes: ["violations"],
    preload: false,
  });
  return violations.map(({ id, nodes }) => [id, nodes.map(({ html }) => html.slice(0, 160))]);
}"""

_AT_REST = """async () => {
  while (document.getAnimations().some((one) => one.playState === "running"))
    await new Promise(requestAnimationFrame);
}"""


def found(page, within="html"):
    """Each rule that is broken, with the elements that break it; what fades in is waited for.

    within : a selector of what is looked at; the whole page where nothing is so
    """
    # Awaited there: Playwright would evaluate text to wait, which the page forbids.
    page.evaluate(_AT_REST)
    if not page.evaluate("'axe' in window"):
        page.evaluate(_AXE.read_text("utf-8"))
    return page.evaluate(_RUN, within)
