/**
 * Puts the keys at the bench where what had them is gone: the next Tab leads into the stage, not past the
 * bar and the rail. A page in which nobody has acted yet begins at its top.
 */
export function focusBench() {
  if (document.activeElement !== document.body || !navigator.userActivation.hasBeenActive) return;
  document.getElementById("bench")?.focus({ preventScroll: true });
}
