import { Checkbox, NativeSelect } from "@mantine/core";
import type { Scale } from "../../api/client";
import { useTheEditor } from "../../editor/EditorContext";
import { setScale } from "../../editor/edits";
import { TypedField } from "../../shell/TypedField";
import classes from "./Stave.module.css";

/** Lists that many consumers use; any other is typed. */
const LISTS = [
  { label: "50 to 950", steps: "" },
  { label: "100 to 900", steps: "100 200 300 400 500 600 700 800 900" },
  { label: "0 to 1000", steps: "0 100 200 300 400 500 600 700 800 900 1000" },
  { label: "1 to 12", steps: "1 2 3 4 5 6 7 8 9 10 11 12" },
];

const words = (text: string) => text.split(/[\s,;]+/).filter(Boolean);

/** What is no number goes to the server as typed, which refuses it with its place; the typing stays. */
const numberOrWord = (word: string) =>
  Number.isFinite(Number(word)) ? Number(word) : (word as unknown as number);

/** Names of the steps, step 0, see-through steps, the other end, and what exports leave out. */
export function StepSettings({ scale }: { scale: Scale }) {
  const { spec, preview, commit } = useTheEditor();
  const settings = spec.scales?.[scale.slug] ?? {};
  const set = (change: typeof settings, label: string) =>
    void commit((s) => setScale(s, scale.slug, change), `${scale.name}: ${label}`);
  const steps = settings.steps?.join(" ") ?? "";
  const known = LISTS.some((l) => l.steps === steps);
  const setSteps = (text: string) =>
    set(
      { steps: words(text).length > 0 ? words(text) : null, lightness: {}, pins: {}, omit: [], at: null },
      `steps ${text || "50 to 950"}`,
    );
  const others = preview?.derived.scales.filter((s) => s.origin !== "derived" && s.slug !== scale.slug) ?? [];
  return (
    <div className={classes.controls}>
      <NativeSelect
        label="Step names"
        size="xs"
        data={[
          ...LISTS.map((l) => ({ value: l.steps, label: l.label })),
          ...(known ? [] : [{ value: steps, label: "own list" }]),
        ]}
        value={steps}
        onChange={(e) => setSteps(e.currentTarget.value)}
      />
      <TypedField
        label="Own list"
        placeholder="tint base shade"
        value={known ? "" : steps}
        onText={setSteps}
      />
      <TypedField
        label="Alpha steps, %"
        placeholder="8 16 24"
        value={settings.alpha?.join(" ") ?? ""}
        onText={(text) => set({ alpha: words(text).map(numberOrWord) }, `alpha steps ${text || "none"}`)}
      />
      {scale.origin !== "derived" && (
        <NativeSelect
          label="Runs to"
          size="xs"
          data={[
            { value: "", label: "its own end" },
            ...others.map((s) => ({ value: s.slug, label: s.name })),
          ]}
          value={settings.to ?? ""}
          onChange={(e) =>
            set({ to: e.currentTarget.value || null }, `runs to ${e.currentTarget.value || "its own end"}`)
          }
        />
      )}
      <div className={classes.checks}>
        <Checkbox
          size="xs"
          label="step 0"
          checked={scale.steps[0]?.label === "0"}
          onChange={(e) =>
            set(
              { zero: e.currentTarget.checked },
              e.currentTarget.checked ? "step 0 added" : "step 0 removed",
            )
          }
        />
        <Checkbox
          size="xs"
          label="wide gamut"
          checked={settings.wide ?? false}
          onChange={(e) =>
            set(
              { wide: e.currentTarget.checked || null },
              e.currentTarget.checked ? "wide gamut" : "sRGB only",
            )
          }
        />
        <Checkbox
          size="xs"
          label="in exports"
          checked={!settings.off}
          onChange={(e) =>
            set(
              { off: e.currentTarget.checked ? null : true },
              e.currentTarget.checked ? "in exports" : "left out of exports",
            )
          }
        />
      </div>
    </div>
  );
}
