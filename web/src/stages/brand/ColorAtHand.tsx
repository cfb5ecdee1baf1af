import { ActionIcon, TextInput } from "@mantine/core";
import { IconArrowLeft, IconArrowRight, IconColorPicker, IconX } from "@tabler/icons-react";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { GiveBack } from "../../lineage/GiveBack";
import { decisionsAt, type ShownColor, useBrand, useLineage } from "../../lineage/useLineage";
import { CopyButton } from "../../ui/CopyButton";
import classes from "./ColorAtHand.module.css";
import { told } from "./provenance";
import { RemoveDialog } from "./RemoveDialog";
import { Renaming } from "./Renaming";
import { Tuner } from "./Tuner";
import { useBrandColor } from "./useBrandColor";
import { useBrandView } from "./useBrandView";
import { useRemoval } from "./useRemoval";

/** The colour at hand: its name, its code in every notation, what it is used for, and its tuner. */
export function ColorAtHand({ color }: { color: ShownColor }) {
  const slug = color.slug ?? "";
  const typed = useBrandColor(slug, color);
  return (
    <section className={classes.open} aria-label="Colour at hand">
      <div className={classes.fields}>
        <div className={classes.swatch} style={{ background: color.color }}>
          <input
            type="color"
            aria-label={`Pick ${color.name}`}
            value={typed.seen?.hex.slice(0, 7) ?? "#000000"}
            onChange={(e) => typed.type(e.currentTarget.value)}
            onBlur={typed.leave}
          />
        </div>
        {color.own ? (
          <Renaming slug={slug} name={color.name} what="name" />
        ) : (
          <TextInput label="Name" value={color.name} readOnly title="Its parent gives it its name" />
        )}
        <TextInput
          label="Colour"
          value={typed.text}
          error={typed.refusal}
          description={typed.seen?.note}
          inputWrapperOrder={["label", "input", "error", "description"]}
          spellCheck={false}
          styles={{ input: { fontFamily: "var(--mono)" } }}
          rightSection={<Eyedropper onColor={typed.type} onDone={typed.leave} />}
          onChange={(e) => typed.type(e.currentTarget.value)}
          onBlur={typed.leave}
          onKeyDown={(e) => e.key === "Enter" && !typed.refusal && typed.save()}
        />
        {color.own && <Tools slug={slug} name={color.name} />}
      </div>
      <div className={classes.about}>
        <Use slug={slug} name={color.name} own={color.own} />
        <Whose color={color} />
        <span className={classes.codes}>
          {typed.seen &&
            [...new Set([typed.seen.hex, typed.seen.rgb, typed.seen.hsl, typed.seen.oklch])].map((code) => (
              <CopyButton key={code} text={code} />
            ))}
        </span>
      </div>
      <Tuner slug={slug} color={color} />
    </section>
  );
}

interface EyeDropperWindow {
  EyeDropper?: new () => { open: () => Promise<{ sRGBHex: string }> };
}

/** The browser's own eyedropper, where it has one. */
function Eyedropper({ onColor, onDone }: { onColor: (code: string) => void; onDone: () => void }) {
  const { EyeDropper } = window as EyeDropperWindow;
  if (!EyeDropper) return null;
  const pick = () =>
    new EyeDropper().open().then(
      ({ sRGBHex }) => {
        onColor(sRGBHex);
        onDone();
      },
      // Left with Escape.
      () => undefined,
    );
  return (
    <ActionIcon variant="subtle" color="ink" size={22} aria-label="Pick from the screen" onClick={pick}>
      <IconColorPicker size={15} />
    </ActionIcon>
  );
}

/** Order and removal. */
function Tools({ slug, name }: { slug: string; name: string }) {
  const editor = useEditor();
  const brand = useBrand();
  const hasParent = useEditorState((s) => s.theme.parent !== null && s.theme.parent !== undefined);
  const index = brand.findIndex((b) => b.slug === slug);
  const removal = useRemoval({ do: "remove-brand", brand: slug }, `${name} removed`);
  const { openBrand } = useBrandView();
  const move = (to: number, way: "earlier" | "later") => {
    openBrand(slug);
    void editor.change({ do: "move-brand", brand: slug, to }, `${name} moved ${way}`);
  };
  const tool = { variant: "subtle", color: "ink", size: 24 } as const;
  return (
    <div className={classes.tools}>
      <ActionIcon
        {...tool}
        aria-label={`Move ${name} earlier`}
        title="Earlier (Alt ←)"
        disabled={index === 0}
        onClick={() => move(index - 1, "earlier")}
      >
        <IconArrowLeft size={15} />
      </ActionIcon>
      <ActionIcon
        {...tool}
        aria-label={`Move ${name} later`}
        title="Later (Alt →)"
        disabled={index === brand.length - 1}
        onClick={() => move(index + 1, "later")}
      >
        <IconArrowRight size={15} />
      </ActionIcon>
      <ActionIcon
        {...tool}
        aria-label={`Remove ${name}`}
        disabled={brand.length === 1 && !hasParent}
        onClick={removal.ask}
      >
        <IconX size={15} />
      </ActionIcon>
      <RemoveDialog name={name} removal={removal} />
    </div>
  );
}

/** Where it came from: its parent, or whatever source; one that takes the parent's place can be given back. */
function Whose({ color }: { color: ShownColor }) {
  const lineage = useLineage();
  const places = decisionsAt(lineage, (place) => place === `/brand/${color.slug}`);
  if (!color.own) return <span>from {lineage?.parent?.name}; changed here, it is this theme's own</span>;
  return (
    <span>
      {told(color.from)} {places.some((d) => d.replaces) && <GiveBack decisions={places} />}
    </span>
  );
}

/** What it is used for, and the name of its scale. */
function Use({ slug, name, own }: { slug: string; name: string; own: boolean }) {
  const uses = useEditorState((s) =>
    (s.preview?.derived.intents ?? [])
      .filter((i) => i.scale === slug)
      .map((i) => i.name)
      .join(", "),
  );
  const pinned = useEditorState((s) => {
    const scale = s.preview?.derived.scales.find((other) => other.slug === slug);
    return scale?.steps[scale.base]?.label;
  });
  return (
    <span>
      {uses ? <b>{uses}</b> : "no intent"} · {own ? <Renaming slug={slug} name={name} what="slug" /> : slug}
      {pinned && ` · exact at ${pinned}`}
    </span>
  );
}
