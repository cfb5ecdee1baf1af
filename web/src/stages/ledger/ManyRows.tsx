import { Button, TextInput } from "@mantine/core";
import { type FormEvent, useState } from "react";
import { type Mode, refusalIn, refusalOf } from "../../api/client";
import { writtenValue } from "../../api/writtenValue";
import { useEditor } from "../../editor/EditorProvider";
import { atLevel, type Edit, setToken } from "../../editor/edits";
import { useLevel } from "../../editor/level";
import { counted } from "../../ui/counted";
import classes from "./Ledger.module.css";
import type { Row } from "./rows";

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
  const [refusal, setRefusal] = useState<string>();
  const tokens = rows
    .map((r) => r.token)
    .filter((t) => t.kind === "color")
    .filter((t) => t.section === "roles" || (level === "usual" && t.section !== "type"));
  const roles = tokens.filter((t) => t.section === "roles");
  const left = rows.length - tokens.length;

  const forEach =
    (of: typeof tokens, values: [Mode, string | undefined][]): Edit =>
    (document) =>
      of.reduce((before, token) => {
        // One value stands for both modes where there is one.
        const own = values.filter(([mode]) => token.dark || mode === "light");
        return own.reduce((d, [mode, text]) => setToken(d, token, mode, text, level), before);
      }, document);
  const take = async (change: Edit, label: string) => {
    const { problem } = await editor.commit(change, label, { atField: true });
    setRefusal(problem && refusalOf(problem));
    return !problem;
  };
  const save = async (event: FormEvent) => {
    event.preventDefault();
    try {
      const values: [Mode, string][] = [];
      if (light.trim()) values.push(["light", await writtenValue("color", light)]);
      if (dark.trim()) values.push(["dark", await writtenValue("color", dark)]);
      const told = values.map(([mode, text]) => `${atLevel(mode, level)} ${text}`).join(", ");
      if (await take(forEach(tokens, values), `${counted(tokens.length, "token")}: ${told}`)) {
        setLight("");
        setDark("");
      }
    } catch (error) {
      setRefusal(refusalIn(error));
    }
  };
  const release = () =>
    void take(
      forEach(roles, [
        ["light", undefined],
        ["dark", undefined],
      ]),
      `${counted(roles.length, "role")}: back to derived`,
    );
  return (
    <form
      className={classes.many}
      aria-label="Marked tokens"
      onSubmit={save}
      onChange={() => setRefusal(undefined)}
    >
      <span>
        <b>{counted(rows.length, "token")} marked</b>
        {left > 0 && <small>{left} of them cannot be set to a colour here</small>}
      </span>
      <TextInput
        size="xs"
        label="Light"
        placeholder="colour or {reference}"
        value={light}
        onChange={(e) => setLight(e.currentTarget.value)}
      />
      <TextInput
        size="xs"
        label="Dark"
        placeholder="colour or {reference}"
        value={dark}
        onChange={(e) => setDark(e.currentTarget.value)}
      />
      <Button
        size="xs"
        type="submit"
        variant="default"
        disabled={tokens.length === 0 || (light.trim() === "" && dark.trim() === "")}
      >
        Set all
      </Button>
      <Button size="xs" variant="default" disabled={roles.length === 0} onClick={release}>
        Back to derived
      </Button>
      <Button size="xs" variant="default" onClick={onLetGo}>
        Let go
      </Button>
      {refusal && (
        <p className={classes.refusal} role="alert">
          {refusal}
        </p>
      )}
    </form>
  );
}
