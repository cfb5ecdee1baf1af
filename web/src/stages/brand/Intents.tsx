import { Button, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { refusalOf } from "../../api/client";
import { vocabularyQuery } from "../../api/queries";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { intentsOf } from "../../editor/selectors";
import { useBrand } from "../../lineage/useLineage";
import { Panel, usePanel } from "../../ui/Panel";
import { IntentPlace } from "./IntentPlace";
import classes from "./Intents.module.css";

/** Who plays which part, and whose decision that is. */
export function Intents() {
  const intents = useEditorState(intentsOf) ?? [];
  // As one text, so that a colour on its way does not draw every place anew.
  const slugs = useEditorState((s) => s.document.brand?.map((b) => b.slug).join(" ") ?? "").split(" ");
  const { data } = useQuery(vocabularyQuery);
  const known = data?.intents ?? [];
  // A brand colour that plays no other part is an intent of its own name: it stands in its own row.
  const places = intents.filter(
    (one) => known.includes(one.name) || one.scale !== one.name || !slugs.includes(one.name),
  );
  return (
    <section className={classes.intents} aria-label="Intents">
      <ul>
        {places.map((intent) => (
          <li key={intent.name}>
            <IntentPlace intent={intent} own={!known.includes(intent.name)} />
          </li>
        ))}
        <li>
          <NewIntent />
        </li>
      </ul>
    </section>
  );
}

/** An intent of one's own: a name, and for the start the first brand colour. */
function NewIntent() {
  const editor = useEditor();
  const intents = useEditorState(intentsOf) ?? [];
  const { opened, toggle, panel } = usePanel();
  const [name, setName] = useState("");
  const [refusal, setRefusal] = useState<string>();
  const first = intents.find((one) => one.name === "primary")?.scale;
  const brand = useBrand();
  const scale = brand.some((b) => b.slug === first) ? first : brand[0]?.slug;
  const add = async () => {
    const wanted = name.trim();
    if (wanted === "" || !scale) return;
    if (intents.some((one) => one.name === wanted)) return setRefusal(`there is an intent ${wanted} already`);
    const change = { do: "set-intent", intent: wanted, scale } as const;
    const { problem } = await editor.change(change, `intent ${wanted} added`, { atField: true });
    setRefusal(problem && refusalOf(problem));
    if (problem) return;
    setName("");
    panel.onClose();
  };
  return (
    <>
      <button type="button" className={classes.plus} title="An intent of your own" {...toggle}>
        + intent
      </button>
      {opened && (
        <Panel {...panel} label="An intent of your own" width={240} position="bottom" withArrow>
          <form
            onSubmit={(e) => {
              e.preventDefault();
              void add();
            }}
          >
            <TextInput
              size="xs"
              label="Name of the intent"
              placeholder="boarding"
              value={name}
              error={refusal}
              maxLength={60}
              data-autofocus
              onChange={(e) => {
                setName(e.currentTarget.value);
                setRefusal(undefined);
              }}
            />
            <Button mt="xs" size="compact-sm" type="submit" disabled={name.trim() === ""}>
              Add intent
            </Button>
          </form>
        </Panel>
      )}
    </>
  );
}
