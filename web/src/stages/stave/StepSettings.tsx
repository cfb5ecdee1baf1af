import { NativeSelect } from "@mantine/core";
import { memo } from "react";
import type { ThemeDocument } from "../../api/client";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { setScale } from "../../editor/edits";
import { scalesOf } from "../../editor/selectors";
import type { EditorState } from "../../editor/state";
import { usePart } from "../../lineage/useLineage";
import { Hint } from "../../ui/Hint";
import { Tick } from "../../ui/Tick";
import { TypedField } from "../../ui/TypedField";
import { useSameOf } from "../../ui/useSame";
import classes from "./Stave.module.css";
import type { Still } from "./still";
import { UnusedSteps } from "./UnusedSteps";

/** Lists that many consumers use; any other is typed. */
const LISTS = [
  { label: "50 to 950", steps: "" },
  { label: "100 to 900", steps: "100 200 300 400 500 600 700 800 900" },
  { label: "0 to 1000", steps: "0 100 200 300 400 500 600 700 800 900 1000" },
  { label: "1 to 12", steps: "1 2 3 4 5 6 7 8 9 10 11 12" },
];

const HELP = {
  list: "Names of your own for the steps, light to dark, separated by spaces.",
  alpha:
    "Opacities in percent, 1 to 99: each becomes a see-through step of the scale's own colour, such as a16.",
  to: "Another brand colour in which the scale ends: it then runs between the two.",
  zero: "One more step before the first, white or nearly so, for surfaces.",
  wide: "Also builds the scale in Display-P3, for screens that show more colours.",
  exports: "Whether the files of the handoff carry this scale.",
} as const;

const words = (text: string) => text.split(/[\s,;]+/).filter(Boolean);

/** What is no number goes to the server as typed, which says what it expected; the typing stays. */
const percentOrWord = (word: string) =>
  Number.isFinite(Number(word)) ? Number(word) : (word as unknown as number);
const percents = (text: string) => words(text.replaceAll("%", " ")).map(percentOrWord);

type ScaleSettings = NonNullable<ThemeDocument["scales"]>[string];

/** Names of the steps, step 0, see-through steps, the other end, and what exports leave out. */
export const StepSettings = memo(function StepSettings({ scale }: { scale: Still }) {
  const editor = useEditor();
  // What moves with a drag is not told here.
  const settings =
    usePart((d) => {
      const { lightness: _, pins: __, ...others } = d.scales?.[scale.slug] ?? {};
      return others;
    }) ?? {};
  const others = useEditorState(
    useSameOf((s: EditorState) =>
      (scalesOf(s) ?? [])
        .filter((other) => other.origin !== "derived" && other.slug !== scale.slug)
        .map(({ slug, name }) => ({ slug, name })),
    ),
  );
  const set = (change: ScaleSettings, label: string) =>
    editor.commit((d) => setScale(d, scale.slug, change), `${scale.name}: ${label}`, { atField: true });
  const steps = settings.steps?.join(" ") ?? "";
  const known = LISTS.some((l) => l.steps === steps);
  const setSteps = (text: string) =>
    set(
      {
        steps: words(text).length > 0 ? words(text) : null,
        lightness: {},
        pins: {},
        omit: [],
        at: null,
      },
      `steps ${text || "50 to 950"}`,
    );
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
        onChange={(e) => void setSteps(e.currentTarget.value)}
      />
      <TypedField
        label={<Hint word="Own list" help={HELP.list} />}
        name="Own list"
        placeholder="tint base shade"
        value={known ? "" : steps}
        onText={setSteps}
      />
      <TypedField
        label={<Hint word="Alpha steps, %" help={HELP.alpha} />}
        name="Alpha steps, %"
        placeholder="8 16 24"
        value={settings.alpha?.join(" ") ?? ""}
        onText={(text) => set({ alpha: percents(text) }, `alpha steps ${text || "none"}`)}
      />
      {scale.origin !== "derived" && (
        <NativeSelect
          label={<Hint word="Runs to" help={HELP.to} />}
          aria-label="Runs to"
          size="xs"
          data={[
            { value: "", label: "its own end" },
            ...others.map((s) => ({ value: s.slug, label: s.name })),
          ]}
          value={settings.to ?? ""}
          onChange={(e) => {
            const to = e.currentTarget.value;
            void editor.commit(
              (d) => setScale(d, scale.slug, { to: to || null }),
              `${scale.name}: runs to ${to || "its own end"}`,
            );
          }}
        />
      )}
      <div className={classes.checks}>
        <Tick
          label={<Hint word="step 0" help={HELP.zero} />}
          aria-label="step 0"
          checked={scale.hasZero}
          onTick={(on) => {
            void set({ zero: on }, on ? "step 0 added" : "step 0 removed");
          }}
        />
        <Tick
          label={<Hint word="wide gamut" help={HELP.wide} />}
          aria-label="wide gamut"
          checked={settings.wide ?? false}
          onTick={(on) => {
            void set({ wide: on || null }, on ? "wide gamut" : "sRGB only");
          }}
        />
        <Tick
          label={<Hint word="in exports" help={HELP.exports} />}
          aria-label="in exports"
          checked={!settings.off}
          onTick={(on) => {
            void set({ off: on ? null : true }, on ? "in exports" : "left out of exports");
          }}
        />
      </div>
      {!settings.off && <UnusedSteps scale={scale} left={settings.omit?.length ?? 0} />}
    </div>
  );
});
