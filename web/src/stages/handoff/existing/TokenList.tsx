import type { Token } from "../../../api/client";
import { useEditorState } from "../../../editor/EditorProvider";
import { tokensOf } from "../../../editor/selectors";

interface Props {
  /** Id by which fields name the list. */
  id: string;
  kind: Token["kind"];
}

/** The tokens of a kind by their paths, with what they are in light mode, for fields to offer. */
export function TokenList({ id, kind }: Props) {
  const tokens = useEditorState(tokensOf) ?? [];
  return (
    <datalist id={id}>
      {tokens
        .filter((token) => token.kind === kind)
        .map((token) => (
          <option key={token.path} value={token.path}>
            {token.light.value}
          </option>
        ))}
    </datalist>
  );
}
