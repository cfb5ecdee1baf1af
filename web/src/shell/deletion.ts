/** The theme that was deleted last in this window, as long as a deletion is what Undo means. */
let last: { id: string; until: number; restore: () => Promise<unknown> } | undefined;

/** How long after a deletion Undo brings it back, in ms. */
const WHILE = 20_000;

export function rememberDeletion(id: string, restore: () => Promise<unknown>) {
  last = { id, restore, until: Date.now() + WHILE };
}

/** Anything else that is done makes Undo mean that again. */
export function forgetDeletion() {
  last = undefined;
}

/** Brings back what was just deleted; whether there was anything. */
export async function bringBackLast(): Promise<boolean> {
  const deleted = last;
  last = undefined;
  if (!deleted || Date.now() > deleted.until) return false;
  await deleted.restore();
  return true;
}

/** What Undo means right now. */
export async function undoOrBringBack(undo: () => Promise<unknown>): Promise<void> {
  if (!(await bringBackLast())) await undo();
}
