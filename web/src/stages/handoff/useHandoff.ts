import { useTheEditor } from "../../editor/EditorContext";

export type Options = Record<string, string>;

export interface Handoff {
  /** Options of the targets that were chosen, by id. */
  chosen: Record<string, Options>;
  /** Remembers a target with these options. */
  remember: (id: string, options: Options, what: string) => Promise<unknown>;
  /** Chooses targets, or lets go of them. */
  choose: (ids: string[], on: boolean) => void;
}

/** What is chosen for the handoff; it is kept in the document. */
export function useHandoff(): Handoff {
  const { spec, commit } = useTheEditor();
  const chosen = spec.handoff ?? {};
  const save = (handoff: Record<string, Options>, label: string) => commit({ ...spec, handoff }, label);
  return {
    chosen,
    remember: (id, options, what) => save({ ...chosen, [id]: options }, `handoff: ${id}, ${what}`),
    choose: (ids, on) => {
      const rest = Object.fromEntries(Object.entries(chosen).filter(([id]) => !ids.includes(id)));
      const added = Object.fromEntries(ids.map((id) => [id, chosen[id] ?? {}]));
      const names = ids.length > 2 ? `${ids.length} targets` : ids.join(", ");
      void save(on ? { ...chosen, ...added } : rest, `handoff: ${on ? "with" : "without"} ${names}`);
    },
  };
}
