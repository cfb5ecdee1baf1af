/** Whether somebody has acted since the page was loaded. */
let hasActed = false;
for (const act of ["keydown", "pointerdown"] as const) {
  window.addEventListener(act, () => (hasActed = true), { capture: true, once: true });
}

/**
 * Puts the keys at the bench where what had them is gone: the next Tab leads into the stage, not past the
 * bar and the rail. A page in which nobody has acted yet begins at its top.
 */
export function focusBench() {
  if (!hasActed || document.activeElement !== document.body) return;
  document.getElementById("bench")?.focus({ preventScroll: true });
}
