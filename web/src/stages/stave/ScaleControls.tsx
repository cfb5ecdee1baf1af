import { NativeSelect, Slider, Text } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { memo } from "react";
import type { ThemeDocument } from "../../api/client";
import { vocabularyQuery } from "../../api/queries";
import { useEditor } from "../../editor/EditorProvider";
import { setScale } from "../../editor/edits";
import { OwnHere } from "../../lineage/OwnHere";
import { Hint } from "../../ui/Hint";
import classes from "./Stave.module.css";
import type { Still } from "./still";
import { forAll, toldOf } from "./together";
import { type ScaleNumber, useScaleNumber } from "./useScaleNumber";

type Method = NonNullable<NonNullable<ThemeDocument["scales"]>[string]["method"]>;

/** Method, strength and hue turn of the open scale. */
export const ScaleControls = memo(function ScaleControls({ scale }: { scale: Still }) {
  const editor = useEditor();
  const { data } = useQuery(vocabularyQuery);
  const methods = data?.methods ?? [];
  const method = (value: string) =>
    void editor.commit(
      forAll(scale.slug, (d, slug) => setScale(d, slug, { method: value as Method })),
      `${toldOf(scale)}: ${value}`,
    );
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
      <Knob scale={scale} name="strength" />
      <Knob scale={scale} name="turn" />
      <OwnHere at={[`/scales/${scale.slug}`, `/brand/${scale.slug}`]} />
    </div>
  );
});

function Knob({ scale, name }: { scale: Still; name: ScaleNumber }) {
  const number = useScaleNumber(scale, name);
  if (!number) return null;
  const { field, value, shown, show, save } = number;
  return (
    <div className={classes.knob}>
      <Text component="span" size="sm" fw={500}>
        <Hint word={field.title} help={field.help} /> <span className={classes.knobValue}>{shown}</span>
      </Text>
      <Slider
        size="sm"
        label={null}
        thumbLabel={`${field.title} of ${scale.name}`}
        value={value}
        min={field.low}
        max={field.high}
        step={field.step}
        onChange={show}
        onChangeEnd={save}
      />
    </div>
  );
}
