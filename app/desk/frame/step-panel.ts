/** Steps with one key from what stands around the paper to the next, so that nothing is many presses away. */

const PLACES = [
  "#paper",
  "#show-me",
  ".desk-rail",
  ".desk-tin",
  ".desk-press",
  ".desk-tray",
  "#more-settings",
];
const FOCUSABLE =
  'a[href], button:not(:disabled):not([tabindex="-1"]), input:not(:disabled), select, [tabindex="0"]';

const isSeen = (el: Element): boolean => el.getClientRects().length > 0;

/** Whether there was somewhere to go. */
export function stepPanel(by: 1 | -1): boolean {
  const places = PLACES.flatMap((place) => document.querySelector(place) ?? []).filter(isSeen);
  const { activeElement } = document;
  // Settings above the tray stand within the paper's frame.
  const at = places.findLastIndex((place) => place.contains(activeElement));
  for (let k = 1; k <= places.length; k++) {
    const place = places[(Math.max(0, at) + by * k + places.length * k) % places.length];
    const target = place.matches(FOCUSABLE) ? place : [...place.querySelectorAll(FOCUSABLE)].find(isSeen);
    if (target instanceof HTMLElement) {
      target.focus();
      return true;
    }
  }
  return false;
}
