/** Whether somebody has acted since the page was loaded. */
let hasActed = false;
for (const act of ["keydown", "pointerdown"] as const) {
  window.addEventListener(act, () => (hasActed = true), { capture: true, once: true });
}

/**
 * Puts the keys at what took the place of the control that had them. A page in which nobody has acted yet
 * begins at its top.
 */
export function takeLostKeys(at: HTMLElement | null) {
  if (hasActed && document.activeElement === document.body) at?.focus({ preventScroll: true });
}

/** Puts lost keys at the bench: the next Tab leads into the stage, not past the bar and the rail. */
export function focusBench() {
  takeLostKeys(document.getElementById("bench"));
}
