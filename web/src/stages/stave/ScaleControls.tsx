import { NativeSelect, Slider, Text } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import type { NumberField as Field, Scale, ThemeDocument } from "../../api/client";
import { vocabularyQuery } from "../../api/queries";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { type Edit, setScale } from "../../editor/edits";
import { OwnHere } from "../../lineage/OwnHere";
import { useSavedWhole } from "../../lineage/useLineage";
import { Hint } from "../../ui/Hint";
import classes from "./Stave.module.css";

type Method = NonNullable<NonNullable<ThemeDocument["scales"]>[string]["method"]>;

/** How a number is shown: strength in percent, a turn in degrees. */
const SHOWN = { strength: { factor: 100, unit: "%" }, turn: { factor: 1, unit: "°" } } as const;

/** Method, strength and hue turn of the open scale. */
export function ScaleControls({ scale }: { scale: Scale }) {
  const editor = useEditor();
  const { data } = useQuery(vocabularyQuery);
  const methods = data?.methods ?? [];
  const method = (value: string) =>
    void editor.commit(
      (d) => setScale(d, scale.slug, { method: value as Method }),
      `${scale.name}: ${value}`,
    );
  const field = (key: "strength" | "turn") => data?.numbers.find((n) => n.part === "scale" && n.key === key);
  const [strength, turn] = [field("strength"), field("turn")];
  return (
    <div className={classes.controls}>
      <div>
        <NativeSelect
          label={<Hint word="Method" help={methods.map((m) => `${m.name}: ${m.help}`).join(" ")} />}
          aria-label="Method"
          size="xs"
          data={methods.map((m) => m.id)}
          value={scale.method}
          onChange={(e) => method(e.currentTarget.value)}
        />
        <p className={classes.help}>{methods.find((m) => m.id === scale.method)?.help}</p>
      </div>
      {strength && <Knob scale={scale} name="strength" field={strength} />}
      {turn && <Knob scale={scale} name="turn" field={turn} />}
      <OwnHere at={[`/scales/${scale.slug}`, `/brand/${scale.slug}`]} />
    </div>
  );
}

function Knob({ scale, name, field }: { scale: Scale; name: "strength" | "turn"; field: Field }) {
  const editor = useEditor();
  const saved = useSavedWhole().scales?.[scale.slug]?.[name] ?? field.default;
  const value = useEditorState((s) => s.document.scales?.[scale.slug]?.[name]) ?? saved;
  const { factor, unit } = SHOWN[name];
  const shown = (n: number) => Math.round(n * factor);
  const setTo =
    (to: number): Edit =>
    (d) =>
      setScale(d, scale.slug, { [name]: to });
  const save = (to: number) => {
    if (to === saved) return editor.discard();
    const words = `${shown(saved)} → ${shown(to)} ${unit}`;
    void editor.commit(setTo(to), `${scale.name}: ${field.title.toLowerCase()} ${words}`);
  };
  return (
    <div className={classes.knob}>
      <Text component="span" size="sm" fw={500}>
        <Hint word={field.title} help={field.help} />{" "}
        <span className={classes.knobValue}>
          {shown(value)} {unit}
        </span>
      </Text>
      <Slider
        size="sm"
        label={null}
        thumbLabel={`${field.title} of ${scale.name}`}
        value={value}
        min={field.low}
        max={field.high}
        step={field.step}
        onChange={(to) => editor.draft(setTo(to))}
        onChangeEnd={save}
      />
    </div>
  );
}
