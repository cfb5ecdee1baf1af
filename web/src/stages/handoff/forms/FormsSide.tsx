import { Button } from "@mantine/core";
import { useState } from "react";
import type { Form } from "../../../api/exist";
import { useEditor, useEditorState } from "../../../editor/EditorProvider";
import { setForm } from "../../../editor/edits";
import { documentOf } from "../../../editor/selectors";
import { useLineage, useWhole } from "../../../lineage/useLineage";
import { FormPane } from "./FormPane";
import classes from "./Forms.module.css";
import { Learn } from "./Learn";

const NEW: Form = { file: "theme.txt", text: '{{ token("primary.fill") | hex }}\n' };

/** Forms of in-house formats: texts with places that the theme fills. */
export default function FormsSide() {
  const editor = useEditor();
  const own = useEditorState(documentOf).forms ?? {};
  const parent = useLineage()?.parent;
  const forms = useWhole().forms ?? {};
  const names = Object.keys(forms);
  const [chosen, setChosen] = useState<string>();
  const [learning, setLearning] = useState(false);
  const open = chosen !== undefined && forms[chosen] ? chosen : names[0];
  const keep = async (wanted: string, form: Form) => {
    const taken = (name: string) => name in forms;
    let name = wanted;
    for (let n = 2; taken(name); n += 1) name = `${wanted}-${n}`;
    const outcome = await editor.commit((d) => setForm(d, name, form), `form ${name} added`, {
      atField: true,
    });
    if (!outcome.problem) {
      setChosen(name);
      setLearning(false);
    }
    return outcome;
  };
  const form = open === undefined ? undefined : forms[open];
  return (
    <div className={classes.side}>
      <nav className={classes.list} aria-label="Forms">
        {names.map((name) => (
          <button
            key={name}
            type="button"
            aria-current={name === open && !learning ? "true" : undefined}
            onClick={() => {
              setChosen(name);
              setLearning(false);
            }}
          >
            {name}
            <small>
              {forms[name]?.file}
              {parent && !(name in own) && ` · from ${parent.name}`}
            </small>
          </button>
        ))}
        <Button size="compact-sm" variant="default" onClick={() => void keep("form", NEW)}>
          New form
        </Button>
        <Button size="compact-sm" variant="default" onClick={() => setLearning(true)}>
          From a file …
        </Button>
      </nav>
      {learning || !form || open === undefined ? (
        <Learn onLearned={keep} />
      ) : (
        <FormPane key={open} name={open} form={form} own={open in own} />
      )}
    </div>
  );
}
