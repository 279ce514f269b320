/** What a hand presses, measured in the page. */
import type { Page } from "@playwright/test";

/** What is too small, too near, cut, wrapped or beyond the window, in words. */
export const faultsOf = (page: Page, side: number, apart: number): Promise<string[]> =>
  page.evaluate(
    ([least, between]) => {
      const named = (el: Element) =>
        `${el.getAttribute("aria-label") ?? el.textContent?.trim().slice(0, 30) ?? ""} <${el.tagName.toLowerCase()}>`;
      const TARGETS =
        "button, a[href], input, select, textarea, [role=slider], [role=switch], [role=radio], [role=menuitem]";
      /** A hidden input is pressed by its label. */
      const pressed = (el: Element) =>
        el instanceof HTMLInputElement && ["file", "checkbox"].includes(el.type)
          ? (el.closest("label") ?? el)
          : el;
      const isReached = (el: Element) => {
        const { x, y, width, height } = el.getBoundingClientRect();
        const corners = [
          [x + 2, y + 2],
          [x + width - 2, y + height - 2],
          [x + width / 2, y + height / 2],
        ];
        return corners.every(([cx, cy]) => {
          const top = document.elementFromPoint(cx, cy);
          return top !== null && (el.contains(top) || top.contains(el));
        });
      };
      const targets = [...new Set([...document.querySelectorAll(TARGETS)].map(pressed))].filter(
        (el) =>
          el.getClientRects().length > 0 && getComputedStyle(el).visibility === "visible" && isReached(el),
      );
      const faults: string[] = [];
      const boxes = targets.map((el) => el.getBoundingClientRect());
      for (const [i, { width, height }] of boxes.entries())
        if (width < least - 0.5 || height < least - 0.5)
          faults.push(`${named(targets[i])} is ${width.toFixed(1)} x ${height.toFixed(1)}`);
      for (const [i, one] of boxes.entries())
        for (let k = i + 1; k < boxes.length; k++) {
          const other = boxes[k];
          if (targets[i].contains(targets[k]) || targets[k].contains(targets[i])) continue;
          const dx = Math.max(one.left, other.left) - Math.min(one.right, other.right);
          const dy = Math.max(one.top, other.top) - Math.min(one.bottom, other.bottom);
          if (Math.max(dx, dy) < between - 0.5)
            faults.push(
              `${named(targets[i])} and ${named(targets[k])} are ${Math.max(dx, dy).toFixed(1)} apart`,
            );
        }
      const isCut = (el: Element) =>
        el.scrollWidth > el.clientWidth + 1 &&
        getComputedStyle(el).overflowX !== "visible" &&
        el.clientWidth > 0;
      /** What stands for a control of our own, for readers of the screen alone. */
      const isUnseen = (el: Element) => el.clientWidth === 1;
      for (const el of document.querySelectorAll(
        "[role=dialog], [role=dialog] :not(.sr-only, .sr-only *, svg *)",
      ))
        if (isCut(el) && !isUnseen(el) && getComputedStyle(el).textOverflow !== "ellipsis")
          faults.push(`${named(el)} is cut`);
      for (const el of document.querySelectorAll(".desk-tray *, #more-settings *")) {
        if (el.closest(".sr-only") || el instanceof SVGElement) continue;
        if (isCut(el)) faults.push(`${named(el)} is cut`);
        const isWord = ["BUTTON", "LABEL", "SPAN"].includes(el.tagName) && el.children.length === 0;
        const range = document.createRange();
        range.selectNodeContents(el);
        if (isWord && new Set([...range.getClientRects()].map(({ top }) => Math.round(top))).size > 1)
          faults.push(`${named(el)} wraps`);
      }
      const { scrollWidth, scrollHeight } = document.documentElement;
      if (scrollWidth > innerWidth || scrollHeight > innerHeight)
        faults.push(`the page is ${scrollWidth} x ${scrollHeight}`);
      return faults;
    },
    [side, apart],
  );
