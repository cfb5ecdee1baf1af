import { TextInput } from "@mantine/core";
import { useId } from "react";
import { cellOf } from "../../api/cellOf";
import type { Mode, Token } from "../../api/client";
import { useEditorState } from "../../editor/EditorProvider";
import { tokensOf } from "../../editor/selectors";
import { isColor, Swatch } from "../../ui/Swatch";
import { TokenOffers } from "./TokenOffers";

interface Props {
  label: string;
  placeholder?: string;
  mode: Mode;
  value: string;
  onValue: (value: string) => void;
}

/** A field for a colour or the path of a token, in braces or without, with what it comes to beside it. */
export function ValueField({ label, placeholder, mode, value, onValue }: Props) {
  const tokens = useEditorState(tokensOf);
  const color = colorOf(value.trim(), mode, tokens ?? []);
  const offers = useId();
  return (
    <TextInput
      list={offers}
      size="xs"
      label={label}
      placeholder={placeholder}
      value={value}
      rightSection={color && <Swatch colors={[color]} />}
      inputContainer={(input) => (
        <>
          {input}
          <TokenOffers id={offers} typed={value} kind="color" mode={mode} />
        </>
      )}
      onChange={(e) => onValue(e.currentTarget.value)}
    />
  );
}

/** The colour that a value is, or that the token it refers to has. */
function colorOf(value: string, mode: Mode, tokens: Token[]): string | undefined {
  const path = /^\{(.+)\}$/.exec(value)?.[1] ?? value;
  const token = tokens.find((t) => t.path === path);
  const told = token ? cellOf(token, mode)?.value : value;
  return isColor(told) ? told : undefined;
}
