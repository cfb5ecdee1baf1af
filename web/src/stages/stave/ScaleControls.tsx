import { NativeSelect, Slider, Text } from "@mantine/core";
import type { Scale } from "../../api/client";
import { useTheEditor } from "../../editor/EditorContext";
import { type Edit, setScale } from "../../editor/edits";
import classes from "./Stave.module.css";

const METHODS = ["natural", "aligned", "mix"];

/** Method, strength and hue turn of the open scale. */
export function ScaleControls({ scale }: { scale: Scale }) {
  const { spec, commit } = useTheEditor();
  const settings = spec.scales?.[scale.slug] ?? {};
  const method = (value: string) =>
    void commit(
      (s) => setScale(s, scale.slug, { method: value as NonNullable<typeof settings.method> }),
      `${scale.name}: ${value}`,
    );
  return (
    <div className={classes.controls}>
      <NativeSelect
        label="Method"
        size="xs"
        data={METHODS}
        value={scale.method}
        onChange={(e) => method(e.currentTarget.value)}
      />
      <Knob
        scale={scale}
        name="strength"
        title="Strength"
        unit="%"
        factor={100}
        value={settings.strength ?? 1}
        min={0}
        max={2}
        step={0.01}
      />
      <Knob
        scale={scale}
        name="turn"
        title="Hue turn"
        unit="°"
        factor={1}
        value={settings.turn ?? 0}
        min={-20}
        max={20}
        step={1}
      />
    </div>
  );
}

interface KnobProps {
  scale: Scale;
  name: "strength" | "turn";
  title: string;
  unit: string;
  /** From the stored value to the shown one. */
  factor: number;
  value: number;
  min: number;
  max: number;
  step: number;
}

function Knob({ scale, name, title, unit, factor, value, min, max, step }: KnobProps) {
  const { theme, draft, commit } = useTheEditor();
  const shown = `${Math.round(value * factor)} ${unit}`;
  const setTo =
    (to: number): Edit =>
    (s) =>
      setScale(s, scale.slug, { [name]: to });
  return (
    <div className={classes.knob}>
      <Text component="span" size="sm" fw={500}>
        {title} <span className={classes.knobValue}>{shown}</span>
      </Text>
      <Slider
        size="sm"
        label={null}
        thumbLabel={`${title} of ${scale.name}`}
        value={value}
        min={min}
        max={max}
        step={step}
        onChange={(to) => draft(setTo(to))}
        onChangeEnd={(to) => {
          const from = theme.spec.scales?.[scale.slug]?.[name] ?? (name === "strength" ? 1 : 0);
          if (to !== from) {
            const words = `${Math.round(from * factor)} → ${Math.round(to * factor)} ${unit}`;
            void commit(setTo(to), `${scale.name}: ${title.toLowerCase()} ${words}`);
          }
        }}
      />
    </div>
  );
}
