import { cellOf } from "../../api/cellOf";
import { useEditor } from "../../editor/EditorProvider";
import { atLevel, type Edit, setToken } from "../../editor/edits";
import { useShown } from "../../editor/level";
import type { Mode } from "./roles";

/** Putting a role on another step: shown while it moves, saved where it is dropped. */
export function useRoleMove(mode: Mode) {
  const editor = useEditor();
  const { level, derived } = useShown();
  const token = (role: string) => derived?.tokens.find((t) => t.path === role);
  const put = (role: string, step: string | undefined): Edit => {
    const found = token(role);
    const text = step === undefined ? undefined : `{${step}}`;
    return (s) => (found ? setToken(s, found, mode, text, level) : s);
  };
  return {
    show: (role: string, step: string) => editor.draft(put(role, step)),
    save: (role: string, step: string | undefined) =>
      void editor.commit(put(role, step), `${role} (${atLevel(mode, level)}): ${step ?? "back to derived"}`),
    /** Back to where it was. */
    drop: editor.discard,
    isSet: (role: string) => {
      return cellOf(token(role), mode)?.origin === "set";
    },
    /** The hardest ratio of the role as it stands, and whether it is enough. */
    ratio: (role: string): string => {
      const pairs = derived?.pairs.filter((p) => p.mode === mode && (p.fg === role || p.bg === role)) ?? [];
      if (pairs.length === 0) return "";
      const hard = pairs.reduce((a, b) => (b.ratio / b.need < a.ratio / a.need ? b : a));
      return `${hard.ratio.toFixed(2)} : 1${hard.pass ? "" : `, needs ${hard.need}`}`;
    },
  };
}
