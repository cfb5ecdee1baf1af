import { useQuery } from "@tanstack/react-query";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { answer, api, type Target } from "../../api/client";
import { numberOf } from "../../api/numberOf";
import { targetsQuery } from "../../api/queries";
import { useEditorState } from "../../editor/EditorProvider";

export interface Names {
  /** Targets whose files are used by the names of tokens. */
  targets: Target[];
  /** The target at hand, if it is one of them. */
  target: Target | undefined;
  /** How tokens are called in it, by path. */
  names: Record<string, string>;
  take: (id: string) => void;
}

const NONE: Record<string, string> = {};

/** How tokens are called in the target at hand, which the handoff shares. */
export function useNames(): Names {
  const { data: all = [] } = useQuery(targetsQuery);
  const { target: id } = useSearch({ from: "/themes/$slug" });
  const navigate = useNavigate();
  const targets = all.filter((t) => t.named);
  const target = targets.find((t) => t.id === id);
  // Names follow from what is saved: a draft moves values, not names.
  const spec = useEditorState((s) => s.theme.spec);
  const { data } = useQuery({
    queryKey: ["names", target?.id, numberOf(spec)],
    queryFn: () => answer(api.POST("/api/names", { body: { spec, target: target?.id ?? "" } })),
    enabled: target !== undefined,
    placeholderData: (before) => before,
  });
  return {
    targets,
    target,
    names: (target && data?.names) ?? NONE,
    take: (next) =>
      void navigate({ to: ".", search: (s) => ({ ...s, target: next || undefined }), replace: true }),
  };
}
