import { useTheEditor } from "../../editor/EditorContext";
import { chooseTargets, dropTargets, setOption } from "../../editor/edits";

export type Options = Record<string, string>;

export interface Handoff {
  /** Options of the targets that were chosen, by id. */
  chosen: Record<string, Options>;
  /** Remembers a target with this choice besides those that it has. */
  remember: (id: string, option: string, value: string) => Promise<unknown>;
  /** Chooses targets, or lets go of them. */
  choose: (ids: string[], on: boolean) => void;
}

/** What is chosen for the handoff; it is kept in the document. */
export function useHandoff(): Handoff {
  const { spec, commit } = useTheEditor();
  return {
    chosen: spec.handoff ?? {},
    // A default is kept too: a parent may have chosen otherwise.
    remember: (id, option, value) =>
      commit((s) => setOption(s, id, option, value), `handoff: ${id}, ${option} ${value || "none"}`),
    choose: (ids, on) => {
      const names = ids.length > 2 ? `${ids.length} targets` : ids.join(", ");
      const label = `handoff: ${on ? "with" : "without"} ${names}`;
      void commit((s) => (on ? chooseTargets(s, ids) : dropTargets(s, ids)), label);
    },
  };
}
