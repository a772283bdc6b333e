"""The browser that tries and times the application: Debian's, without a screen."""

__all__ = ["FLAGS", "PROGRAM"]

PROGRAM = "/usr/bin/chromium-headless-shell"
FLAGS = ["--no-sandbox", "--disable-gpu", "--disable-background-networking"]
