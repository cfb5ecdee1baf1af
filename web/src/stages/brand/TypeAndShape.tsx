import { NumberInput } from "@mantine/core";
import { useEffect, useState } from "react";
import type { Spec } from "../../api/client";
import { useTheEditor } from "../../editor/EditorContext";
import type { Edit } from "../../editor/edits";
import { TypedField } from "../../shell/TypedField";
import classes from "./BrandStage.module.css";

type TypeSpec = NonNullable<Spec["type"]>;
type ShapeSpec = NonNullable<Spec["shape"]>;

const FAMILIES = ["body", "heading", "mono"] as const;

/** The faces that come with Rhodon, stacks of the system's own, and a serif one. */
const TEXT_FACES = [
  "Instrument Sans Variable, system-ui, sans-serif",
  "system-ui, Segoe UI, Roboto, sans-serif",
  "Georgia, Cambria, Times New Roman, serif",
];
const FACES = {
  body: TEXT_FACES,
  heading: TEXT_FACES,
  mono: [
    "Spline Sans Mono Variable, ui-monospace, monospace",
    "ui-monospace, Consolas, Liberation Mono, monospace",
  ],
};
const NUMBERS = [
  { key: "base", label: "Size", unit: "px", fallback: 16, min: 8, max: 32, step: 1 },
  { key: "ratio", label: "Ratio", unit: "", fallback: 1.2, min: 1.05, max: 2, step: 0.05 },
  { key: "regular", label: "Regular", unit: "", fallback: 400, min: 1, max: 1000, step: 50 },
  { key: "bold", label: "Bold", unit: "", fallback: 600, min: 1, max: 1000, step: 50 },
] as const;
const SHAPES = [
  { key: "radius", label: "Radius", unit: "px", fallback: 6, min: 0, max: 64, step: 1 },
  { key: "border", label: "Border", unit: "px", fallback: 1, min: 0, max: 16, step: 1 },
] as const;

/** Type faces, sizes by ratio, weights, corner radius and border width. */
export function TypeAndShape() {
  const { spec, draft, commit } = useTheEditor();
  const type =
    (change: TypeSpec): Edit =>
    (s) => ({ ...s, type: { ...s.type, ...change } });
  const shape =
    (change: ShapeSpec): Edit =>
    (s) => ({ ...s, shape: { ...s.shape, ...change } });
  return (
    <section className={classes.typeShape} aria-label="Type and shape">
      <h2 className={classes.title}>Type and shape</h2>
      <div className={classes.typeGrid}>
        {FAMILIES.map((key) => (
          <TypedField
            key={key}
            label={`${key} families`}
            placeholder="system-ui, sans-serif"
            offers={FACES[key]}
            value={spec.type?.[key]?.join(", ") ?? ""}
            onText={(text) => {
              const names = text
                .split(",")
                .map((n) => n.trim().replace(/^["']|["']$/g, ""))
                .filter(Boolean);
              void commit(
                type({ [key]: names.length > 0 ? names : null }),
                `${key} families: ${text || "default"}`,
              );
            }}
          />
        ))}
        <TypedField
          label="web-font address"
          placeholder="https://…"
          value={spec.type?.import ?? ""}
          onText={(text) => void commit(type({ import: text || null }), `web font: ${text || "none"}`)}
        />
      </div>
      <div className={classes.numbers}>
        {NUMBERS.map(({ key, ...n }) => (
          <Amount
            key={key}
            {...n}
            value={spec.type?.[key]}
            onDraft={(v) => draft(type({ [key]: v }))}
            onAmount={(v) =>
              void commit(type({ [key]: v }), `${n.label.toLowerCase()}: ${v} ${n.unit}`.trim())
            }
          />
        ))}
        {SHAPES.map(({ key, ...n }) => (
          <Amount
            key={key}
            {...n}
            value={spec.shape?.[key]}
            onDraft={(v) => draft(shape({ [key]: v }))}
            onAmount={(v) => void commit(shape({ [key]: v }), `${n.label.toLowerCase()}: ${v} ${n.unit}`)}
          />
        ))}
      </div>
    </section>
  );
}

interface AmountProps {
  label: string;
  unit: string;
  fallback: number;
  min: number;
  max: number;
  step: number;
  value: number | null | undefined;
  onDraft: (value: number) => void;
  onAmount: (value: number) => void;
}

function Amount({ label, unit, fallback, min, max, step, value, onDraft, onAmount }: AmountProps) {
  const [shown, setShown] = useState<number | string>(value ?? fallback);
  const [saved, setSaved] = useState(value ?? fallback);
  useEffect(() => {
    setShown(value ?? fallback);
  }, [value, fallback]);
  const save = () => {
    if (typeof shown !== "number" || shown === saved) return;
    setSaved(shown);
    onAmount(shown);
  };
  return (
    <NumberInput
      size="xs"
      label={unit ? `${label}, ${unit}` : label}
      value={shown}
      min={min}
      max={max}
      step={step}
      decimalScale={2}
      clampBehavior="strict"
      hideControls
      onChange={(v) => {
        setShown(v);
        if (typeof v === "number" && v >= min) onDraft(v);
      }}
      onBlur={save}
      onKeyDown={(e) => e.key === "Enter" && save()}
    />
  );
}
