import { Button, Textarea } from "@mantine/core";
import { useEffect, useRef, useState } from "react";
import type { Form } from "../../../api/exist";
import { saveFile } from "../../../api/save";
import { useEditor } from "../../../editor/EditorProvider";
import { setForm } from "../../../editor/edits";
import { GiveBack } from "../../../lineage/GiveBack";
import { decisionsAt, useLineage } from "../../../lineage/useLineage";
import { takeLostKeys } from "../../../ui/focusBench";
import { Tick } from "../../../ui/Tick";
import { TypedField } from "../../../ui/TypedField";
import { CodeView } from "../CodeView";
import classes from "./Forms.module.css";
import { Slots } from "./Slots";
import { useFilled } from "./useFilled";

interface Props {
  name: string;
  form: Form;
  /** Whether the theme at hand has it itself; touching a parent's makes it one's own. */
  own: boolean;
}

/** One form: its text with its slots, and the file that it comes to. */
export function FormPane({ name, form, own }: Props) {
  const editor = useEditor();
  const lineage = useLineage();
  const [text, setText] = useState(form.text);
  const [sure, setSure] = useState(false);
  const { filled, mistake, unused, filters, called, error } = useFilled(name, form, text);
  const frame = useRef<HTMLElement>(null);
  // The button that made the form, or that let its slots follow, is gone once it did.
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked at again whenever slots begin to follow.
  useEffect(() => takeLostKeys(frame.current), [called.length]);
  const change = (to: Partial<Form>, label: string) =>
    editor.commit((d) => setForm(d, name, { ...form, text, ...to }), label, {
      topic: `form ${name}`,
      atField: true,
    });
  const place = mistake?.line
    ? `line ${mistake.line}${mistake.column ? `, column ${mistake.column}` : ""}: `
    : "";
  const slot = mistake?.slot ? `slot ${mistake.slot}: ` : "";
  return (
    <section ref={frame} tabIndex={-1} className={classes.pane} aria-label={`Form ${name}`}>
      <div className={classes.row}>
        <TypedField
          label="File"
          placeholder="theme.txt"
          value={form.file}
          onText={(file) => change({ file }, `form ${name}: file ${file}`)}
        />
        <Tick
          label="in the archive"
          checked={form.pack !== false}
          onTick={(on) => void change({ pack: on ? null : false }, `form ${name}: archive`)}
        />
        <Button
          size="compact-sm"
          variant="default"
          disabled={filled === undefined}
          onClick={() => saveFile(form.file.split("/").at(-1) ?? "theme.txt", new Blob([filled ?? ""]))}
        >
          Download
        </Button>
        <GiveBack decisions={decisionsAt(lineage, (place) => place.startsWith(`/forms/${name}`))} />
        {own && (
          <Button
            size="compact-sm"
            variant="default"
            onBlur={() => setSure(false)}
            onClick={() =>
              sure
                ? void editor.commit((d) => setForm(d, name, undefined), `form ${name} removed`)
                : setSure(true)
            }
          >
            {sure ? "Remove it" : "Remove …"}
          </Button>
        )}
      </div>
      <Textarea
        aria-label="Text of the form"
        autosize
        minRows={6}
        maxRows={12}
        spellCheck={false}
        styles={{ input: { fontFamily: "var(--mono)", fontSize: "0.75rem", lineHeight: "18px" } }}
        value={text}
        error={mistake ? `${place}${slot}${mistake.message}` : error?.message}
        onChange={(e) => setText(e.currentTarget.value)}
        onBlur={() => text !== form.text && void change({ text }, `form ${name}: text`)}
      />
      <Slots
        name={name}
        slots={form.slots ?? {}}
        unused={unused}
        called={called}
        onChange={(slots, label) => change({ slots }, label)}
      />
      <details className={classes.help}>
        <summary>What places can say</summary>
        <p>
          A slot by its name, or <code>token("primary.fill", "dark")</code>; <code>scales</code>,{" "}
          <code>roles</code>, <code>tokens</code>, <code>modes</code> and <code>family</code> to go over.
          Behind a bar:
        </p>
        <dl>
          {filters.map((filter) => (
            <div key={filter.name}>
              <dt>{filter.name}</dt>
              <dd>{filter.help}</dd>
            </div>
          ))}
        </dl>
      </details>
      {filled !== undefined && (
        <div className={classes.filled} data-old={mistake ? true : undefined}>
          {mistake && <p>the last good file</p>}
          <CodeView path={form.file} text={filled} head={0} before={undefined} />
        </div>
      )}
    </section>
  );
}
