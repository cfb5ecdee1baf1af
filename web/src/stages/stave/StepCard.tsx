import { Button } from "@mantine/core";
import type { Scale, Step } from "../../api/client";
import { writtenValue } from "../../api/writtenValue";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { type Edit, omitStep, setBrand, setPin, setStepLightness } from "../../editor/edits";
import { tokensOf } from "../../editor/selectors";
import { usePart } from "../../lineage/useLineage";
import { CopyButton } from "../../ui/CopyButton";
import { Tick } from "../../ui/Tick";
import { TypedField } from "../../ui/TypedField";
import classes from "./Stave.module.css";

interface Props {
  scale: Scale;
  step: Step;
  onDone: () => void;
}

/** One step: its exact colour to type or paste, its name, whether it is held and whether it is handed over. */
export function StepCard({ scale, step, onDone }: Props) {
  const editor = useEditor();
  const settings = usePart((d) => d.scales?.[scale.slug]) ?? {};
  const css = useEditorState((s) => tokensOf(s)?.find((t) => t.path === step.path)?.css) ?? step.path;
  const brand = useEditorState((s) =>
    scale.steps[scale.base] === step ? s.document.brand?.find((b) => b.slug === scale.slug) : undefined,
  );
  const held = settings.pins?.[step.label] != null;
  const moved = settings.lightness?.[step.label] != null;
  const omitted = settings.omit?.includes(step.label) ?? false;
  const set = (edit: Edit, label: string) =>
    editor.commit(edit, `${scale.name} ${step.label}: ${label}`, { atField: true });
  const release: Edit = (d) => setStepLightness(d, scale.slug, step.label, undefined);
  const pin =
    (color: string | undefined): Edit =>
    (d) =>
      setPin(release(d), scale.slug, step.label, color);
  const type = async (text: string) => {
    const color = await writtenValue("color", text);
    if (brand) return set((d) => setBrand(d, brand, { color }), `${brand.name} is ${color}`);
    return set(pin(color), `pinned at ${color}`);
  };
  const press = (edit: Edit, label: string) => {
    void set(edit, label);
    onDone();
  };
  return (
    <div className={classes.card}>
      <TypedField
        label={brand ? `Exact colour of ${brand.name}` : "Exact colour"}
        placeholder="any CSS colour"
        value={step.hex}
        onText={type}
      />
      <p className={classes.help}>
        {brand
          ? "This step is the brand colour itself: what is typed changes it, and the scale around it."
          : held
            ? "Held where it is, whatever the scale does."
            : "A typed colour holds the step there, whatever the scale does."}
      </p>
      <p className={classes.names}>
        <CopyButton text={css} label={`Copy ${css}`} />
        <CopyButton text={`var(${css})`} label={`Copy var(${css})`} />
      </p>
      <div className={classes.cardTools}>
        {held && (
          <Button size="xs" variant="default" onClick={() => press(pin(undefined), "unpinned")}>
            Unpin
          </Button>
        )}
        {!held && !brand && (
          <Button size="xs" variant="default" onClick={() => press(pin(step.hex), `pinned at ${step.hex}`)}>
            Pin it here
          </Button>
        )}
        {moved && (
          <Button size="xs" variant="default" onClick={() => press(release, "lightness back to derived")}>
            Lightness back to derived
          </Button>
        )}
      </div>
      <Tick
        label="handed over in exports"
        checked={!omitted}
        onTick={() =>
          void set(
            (d) => omitStep(d, scale.slug, step.label, !omitted),
            omitted ? "back in exports" : "left out of exports",
          )
        }
      />
    </div>
  );
}
