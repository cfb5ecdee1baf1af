import { ActionIcon, TextInput } from "@mantine/core";
import { IconArrowDown, IconArrowUp, IconX } from "@tabler/icons-react";
import { useEffect, useRef, useState } from "react";
import type { ThemeDocument } from "../../api/client";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { setBrand } from "../../editor/edits";
import { CopyButton } from "../../ui/CopyButton";
import { refusalOf } from "../../ui/refusal";
import { useOnce } from "../../ui/useOnce";
import classes from "./BrandStage.module.css";
import { RemoveDialog } from "./RemoveDialog";
import { useRemoval } from "./useRemoval";
import { useTypedColor } from "./useTypedColor";

interface Props {
  index: number;
  color: NonNullable<ThemeDocument["brand"]>[number];
  count: number;
}

/** One brand colour: a large plain swatch, its name, its code in any notation, what it is used for. */
export function BrandCard({ index, color, count }: Props) {
  const slug = color.slug ?? "";
  const typed = useBrandColor(slug, color);
  return (
    <li className={classes.card}>
      <div
        className={classes.swatch}
        style={{ "--swatch": typed.seen?.hex ?? color.color } as React.CSSProperties}
      >
        <input
          type="color"
          className={classes.picker}
          aria-label={`Pick ${color.name}`}
          value={typed.seen?.hex.slice(0, 7) ?? "#000000"}
          onChange={(e) => typed.type(e.currentTarget.value)}
          onBlur={typed.leave}
        />
      </div>
      <div className={classes.fields}>
        <Renaming slug={slug} name={color.name} what="name" />
        <TextInput
          label="Colour"
          value={typed.text}
          error={typed.refusal}
          description={typed.seen?.note}
          inputWrapperOrder={["label", "input", "error", "description"]}
          spellCheck={false}
          styles={{ input: { fontFamily: "var(--mono)" } }}
          onChange={(e) => typed.type(e.currentTarget.value)}
          onBlur={typed.leave}
          onKeyDown={(e) => e.key === "Enter" && !typed.refusal && typed.save()}
        />
        <Tools index={index} slug={slug} name={color.name} count={count} />
      </div>
      <div className={classes.codes}>
        {typed.seen &&
          [...new Set([typed.seen.hex, typed.seen.rgb, typed.seen.hsl, typed.seen.oklch])].map((code) => (
            <CopyButton key={code} text={code} />
          ))}
      </div>
      <Use slug={slug} name={color.name} />
    </li>
  );
}

/** The field of a colour: shown while it is typed, saved when it is left, confirmed, or after a pause. */
function useBrandColor(slug: string, color: Props["color"]) {
  const editor = useEditor();
  const saved = useEditorState((s) => s.theme.spec.brand?.find((b) => b.slug === slug)?.color) ?? color.color;
  const pending = useRef<string>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const save = () => {
    clearTimeout(timer.current);
    const next = pending.current;
    pending.current = undefined;
    if (next && next !== saved) {
      const label = `${color.name}: ${saved} → ${next}`;
      void editor.commit((d) => setBrand(d, slug, { color: next }), label);
    }
  };
  const saveLatest = useRef(save);
  saveLatest.current = save;
  const typed = useTypedColor(saved, (seen) => {
    pending.current = seen.css;
    editor.draft((d) => setBrand(d, slug, { color: seen.css }));
    // A pause in typing, or a picker that stays open, saves as well as leaving the field.
    clearTimeout(timer.current);
    timer.current = setTimeout(() => saveLatest.current(), 1200);
  });
  const leave = () => {
    if (!typed.refusal) return save();
    pending.current = undefined;
    clearTimeout(timer.current);
    editor.discard();
  };
  return { ...typed, save, leave };
}

/** The name or the slug: what is refused stays, with the reason at its own field. */
function Renaming({ slug, name, what }: { slug: string; name: string; what: "name" | "slug" }) {
  const editor = useEditor();
  const current = what === "name" ? name : slug;
  const [text, setText] = useState(current);
  const [refusal, setRefusal] = useState<string>();
  const once = useOnce();
  useEffect(() => setText(current), [current]);
  const leave = () => {
    const wanted = text.trim();
    if (wanted === "" || wanted === current) {
      setText(current);
      return setRefusal(undefined);
    }
    const change =
      what === "name"
        ? ({ do: "rename-brand", brand: slug, name: wanted } as const)
        : ({ do: "rename-brand", brand: slug, name, slug: wanted } as const);
    const label = what === "name" ? `${name} renamed to ${wanted}` : `${name}: slug ${wanted}`;
    void once(what, wanted, async () => {
      const { problem } = await editor.change(change, label, { atField: true });
      setRefusal(problem && refusalOf(problem));
    });
  };
  const shared = {
    value: text,
    error: refusal,
    onChange: (e: React.ChangeEvent<HTMLInputElement>) => {
      setText(e.currentTarget.value);
      setRefusal(undefined);
    },
    onBlur: leave,
    onKeyDown: (e: React.KeyboardEvent) => e.key === "Enter" && leave(),
  };
  if (what === "name") return <TextInput label="Name" maxLength={200} {...shared} />;
  return (
    <TextInput
      className={classes.slug}
      size="xs"
      variant="unstyled"
      aria-label={`Slug of ${name}`}
      maxLength={60}
      spellCheck={false}
      {...shared}
    />
  );
}

/** Order and removal. The focus stays with the colour that was acted on. */
function Tools({ index, slug, name, count }: { index: number; slug: string; name: string; count: number }) {
  const editor = useEditor();
  const hasParent = useEditorState((s) => s.theme.parent !== null && s.theme.parent !== undefined);
  const removal = useRemoval(slug, name);
  const move = (to: number, way: "up" | "down") =>
    void editor.change({ do: "move-brand", brand: slug, to }, `${name} moved ${way}`);
  return (
    <div className={classes.tools}>
      <ActionIcon
        variant="subtle"
        color="ink"
        size={24}
        aria-label={`Move ${name} up`}
        disabled={index === 0}
        onClick={() => move(index - 1, "up")}
      >
        <IconArrowUp size={15} />
      </ActionIcon>
      <ActionIcon
        variant="subtle"
        color="ink"
        size={24}
        aria-label={`Move ${name} down`}
        disabled={index === count - 1}
        onClick={() => move(index + 1, "down")}
      >
        <IconArrowDown size={15} />
      </ActionIcon>
      <ActionIcon
        variant="subtle"
        color="ink"
        size={24}
        aria-label={`Remove ${name}`}
        disabled={count === 1 && !hasParent}
        onClick={removal.ask}
      >
        <IconX size={15} />
      </ActionIcon>
      <RemoveDialog
        name={name}
        notes={removal.notes}
        opened={removal.asking}
        onClose={removal.close}
        onRemove={removal.remove}
      />
    </div>
  );
}

/** What it is used for. */
function Use({ slug, name }: { slug: string; name: string }) {
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
    <div className={classes.use}>
      {uses ? <b>{uses}</b> : "no intent"} · <Renaming slug={slug} name={name} what="slug" />
      {pinned && ` · exact at ${pinned}`}
    </div>
  );
}
