/**
 * Puts the focus into a field of a page that has just appeared, ready to be typed over; but never out of a dialog that
 * is open, nor out of a field in which somebody types: a page may appear late.
 */
export const claimFocus = (field: HTMLInputElement | null): void => {
  const { activeElement } = document;
  const busy =
    document.querySelector('[role="dialog"]') !== null ||
    (activeElement instanceof HTMLElement &&
      activeElement !== field &&
      /^(INPUT|TEXTAREA|SELECT)$/.test(activeElement.tagName));
  if (!busy) field?.select();
};
