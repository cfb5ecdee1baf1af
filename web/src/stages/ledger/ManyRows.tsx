import { Button } from "@mantine/core";
import { useState } from "react";
import { type Mode, refusalIn, type Token } from "../../api/client";
import { writtenValue } from "../../api/writtenValue";
import { useEditor } from "../../editor/EditorProvider";
import { atLevel, type Edit, isSettable, setToken } from "../../editor/edits";
import { useLevel } from "../../editor/level";
import { counted } from "../../ui/counted";
import classes from "./Ledger.module.css";
import type { Row } from "./rows";
import { useTaking } from "./useTaking";
import { ValueField } from "./ValueField";

interface Props {
  rows: Row[];
  onLetGo: () => void;
}

/** Sets the marked tokens to one value, or gives them back, as one revision. */
export function ManyRows({ rows, onLetGo }: Props) {
  const editor = useEditor();
  const level = useLevel();
  const [light, setLight] = useState("");
  const [dark, setDark] = useState("");
  const { take, onSubmit, forget, refused } = useTaking();
  const tokens = rows.map((r) => r.token).filter((t) => t.kind === "color" && isSettable(t, level));
  const roles = tokens.filter((t) => t.section === "roles");
  const left = rows.length - tokens.length;

  const setAll =
    (of: Token[], values: [Mode, string | undefined][]): Edit =>
    (document) =>
      of.reduce((before, token) => {
        // One value stands for both modes where there is one.
        const own = values.filter(([mode]) => token.dark || mode === "light");
        return own.reduce((d, [mode, text]) => setToken(d, token, mode, text, level), before);
      }, document);
  const commit = (change: Edit, label: string) => editor.commit(change, label, { atField: true });
  const save = async () => {
    const values: [Mode, string][] = [];
    if (light.trim()) values.push(["light", await written("light", light)]);
    if (dark.trim()) values.push(["dark", await written("dark", dark)]);
    const told = values.map(([mode, text]) => `${atLevel(mode, level)} ${text}`).join(", ");
    return commit(setAll(tokens, values), `${counted(tokens.length, "token")}: ${told}`);
  };
  const empty = () => {
    setLight("");
    setDark("");
  };
  const derived: [Mode, undefined][] = [
    ["light", undefined],
    ["dark", undefined],
  ];
  const release = () => commit(setAll(roles, derived), `${counted(roles.length, "role")}: back to derived`);
  return (
    <form
      className={classes.many}
      aria-label="Marked tokens"
      onSubmit={onSubmit(save, empty)}
      onChange={forget}
    >
      <span>
        <b>{counted(rows.length, "token")} marked</b>
        {left > 0 && <small>{left} of them cannot be set to a colour here</small>}
      </span>
      <ValueField
        label="Light"
        placeholder="a colour or a token"
        mode="light"
        value={light}
        onValue={setLight}
      />
      <ValueField label="Dark" placeholder="a colour or a token" mode="dark" value={dark} onValue={setDark} />
      <Button
        size="xs"
        type="submit"
        variant="default"
        disabled={tokens.length === 0 || (light.trim() === "" && dark.trim() === "")}
      >
        Set all
      </Button>
      <Button size="xs" variant="default" disabled={roles.length === 0} onClick={() => void take(release)}>
        Back to derived
      </Button>
      <Button size="xs" variant="default" onClick={onLetGo}>
        Let go
      </Button>
      {refused}
    </form>
  );
}

/** What was typed for a mode; a refusal says for which. */
async function written(mode: Mode, text: string): Promise<string> {
  try {
    return await writtenValue("color", text);
  } catch (error) {
    throw new Error(`${mode}: ${refusalIn(error)}`);
  }
}
