import { Button, TextInput } from "@mantine/core";
import { memo, useState } from "react";
import type { Derived } from "../../api/client";
import { refusalOf } from "../../api/client";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { scalesOf, themeOf } from "../../editor/selectors";
import type { EditorState } from "../../editor/state";
import { useBrand } from "../../lineage/useLineage";
import { Panel, usePanel } from "../../ui/Panel";
import { Swatch } from "../../ui/Swatch";
import { type Dragged, takes } from "./drag";
import classes from "./Intents.module.css";
import { RemoveDialog } from "./RemoveDialog";
import { useTray } from "./tray";
import { useRemoval } from "./useRemoval";

type Intent = Derived["intents"][number];

const HELP: Record<string, string> = {
  neutral: "surfaces, text and borders",
  primary: "what the brand is known by",
};

/** One part with the colour that plays it: another by drag, from the list, or typed. */
export const IntentPlace = memo(function IntentPlace({ intent, own }: { intent: Intent; own: boolean }) {
  const { opened, toggle, panel } = usePanel();
  const [refusal, setRefusal] = useState<string>();
  const editor = useEditor();
  const scaleOf = (s: EditorState) => scalesOf(s)?.find((scale) => scale.slug === intent.scale);
  const shown = useEditorState((s) => {
    const scale = scaleOf(s);
    return scale?.steps[scale.base]?.hex;
  });
  const player = useEditorState((s) => {
    const scale = scaleOf(s);
    return scale && scale.origin !== "derived" && scale.slug !== intent.name ? scale.name : undefined;
  });
  const set = async (paint: { scale: string } | { color: string }, words: string) => {
    const change = { do: "set-intent", intent: intent.name, ...paint } as const;
    const { problem } = await editor.change(change, `${intent.name}: ${words}`, { atField: true });
    setRefusal(problem && refusalOf(problem));
    if (!problem) panel.onClose();
  };
  const dropped = (what: Dragged) =>
    void set("brand" in what ? { scale: what.brand } : { color: what.color }, what.name);
  return (
    <>
      <button
        type="button"
        className={classes.place}
        title={[HELP[intent.name], intent.reason].filter(Boolean).join(" · ")}
        {...toggle}
        {...takes(dropped)}
      >
        <span className={classes.chip} style={{ background: shown }} />
        <b>{intent.name}</b>
        <small>
          <i data-origin={intent.origin} />
          {player && `${player} `}
          {intent.origin}
        </small>
      </button>
      {opened && (
        <Panel {...panel} label={`${intent.name}, and what plays it`} width={250} position="bottom" withArrow>
          <div className={classes.choice}>
            <Choices intent={intent} onPick={set} />
            <Typed
              onColor={(color) => set({ color }, color)}
              refusal={refusal}
              forget={() => setRefusal(undefined)}
            />
            {own ? <Own name={intent.name} /> : intent.origin === "set" && <GiveBack name={intent.name} />}
          </div>
        </Panel>
      )}
    </>
  );
});

interface ChoicesProps {
  intent: Intent;
  onPick: (paint: { scale: string } | { color: string }, words: string) => void;
}

/** Brand colours and candidates. */
function Choices({ intent, onPick }: ChoicesProps) {
  const brand = useBrand();
  const { id } = useEditorState(themeOf);
  const tray = useTray(id);
  return (
    <ul aria-label="Colours">
      {brand.map((b) => (
        <li key={b.slug}>
          <button
            type="button"
            aria-pressed={intent.scale === b.slug}
            onClick={() => onPick({ scale: b.slug ?? "" }, b.name)}
          >
            <Swatch colors={[b.color]} /> {b.name}
          </button>
        </li>
      ))}
      {tray.map((one) => (
        <li key={one.key}>
          <button type="button" onClick={() => onPick({ color: one.color }, one.name)}>
            <Swatch colors={[one.color]} /> {one.name} <small>from the tray</small>
          </button>
        </li>
      ))}
    </ul>
  );
}

interface TypedProps {
  onColor: (color: string) => void;
  refusal: string | undefined;
  forget: () => void;
}

/** A colour of the intent's own. */
function Typed({ onColor, refusal, forget }: TypedProps) {
  const [text, setText] = useState("");
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        if (text.trim()) onColor(text.trim());
      }}
    >
      <TextInput
        size="xs"
        label="Another colour"
        placeholder="#b3123a"
        value={text}
        error={refusal}
        spellCheck={false}
        onChange={(e) => {
          setText(e.currentTarget.value);
          forget();
        }}
      />
    </form>
  );
}

function GiveBack({ name }: { name: string }) {
  const editor = useEditor();
  const change = { do: "set-intent", intent: name } as const;
  return (
    <Button
      size="compact-sm"
      variant="default"
      onClick={() => void editor.change(change, `${name} given back to derived`)}
    >
      Give back to derived
    </Button>
  );
}

/** An intent of the user's own has a name to change, and may go. */
function Own({ name }: { name: string }) {
  const editor = useEditor();
  const [text, setText] = useState(name);
  const [refusal, setRefusal] = useState<string>();
  const removal = useRemoval({ do: "set-intent", intent: name }, `intent ${name} removed`);
  const rename = async () => {
    const to = text.trim();
    if (to === "" || to === name) return;
    const change = { do: "rename-intent", intent: name, to } as const;
    const { problem } = await editor.change(change, `intent ${name} renamed to ${to}`, { atField: true });
    setRefusal(problem && refusalOf(problem));
  };
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        void rename();
      }}
    >
      <TextInput
        size="xs"
        label="Name of the intent"
        value={text}
        error={refusal}
        maxLength={60}
        onChange={(e) => {
          setText(e.currentTarget.value);
          setRefusal(undefined);
        }}
        onBlur={() => void rename()}
      />
      <Button mt={6} size="compact-sm" variant="default" onClick={removal.ask}>
        Remove {name}
      </Button>
      <RemoveDialog name={name} removal={removal} />
    </form>
  );
}
