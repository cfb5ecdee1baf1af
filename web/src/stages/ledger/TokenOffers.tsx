import { cellOf } from "../../api/cellOf";
import type { Mode, Token } from "../../api/client";
import { useEditorState } from "../../editor/EditorProvider";
import { tokensOf } from "../../editor/selectors";

/** Offers at a time: more are found by typing on. */
const MOST = 24;

interface Props {
  /** Id by which the field names its list. */
  id: string;
  typed: string;
  kind: Token["kind"];
  mode: Mode;
  /** Path of the token that the field is for, which cannot refer to itself. */
  own?: string;
}

/** The tokens of a kind that have what is typed in their paths, as references with their values. */
export function TokenOffers({ id, typed, kind, mode, own }: Props) {
  const tokens = useEditorState(tokensOf) ?? [];
  const words = typed.trim().replace(/^\{|\}$/g, "");
  const offered = words
    ? tokens.filter((t) => t.kind === kind && t.path !== own && t.path.includes(words)).slice(0, MOST)
    : [];
  return (
    <datalist id={id}>
      {offered.map((token) => (
        <option key={token.path} value={`{${token.path}}`}>
          {cellOf(token, mode)?.value}
        </option>
      ))}
    </datalist>
  );
}
