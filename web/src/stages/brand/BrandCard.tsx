import { TextInput } from "@mantine/core";
import { IconArrowDown, IconArrowUp, IconX } from "@tabler/icons-react";
import { useEffect, useRef, useState } from "react";
import { answer, api, refusalIn, type Spec } from "../../api/client";
import { useTheEditor } from "../../editor/EditorContext";
import { moveBrand, removeBrand, setBrand } from "../../editor/edits";
import { CopyButton } from "../../shell/CopyButton";
import { useOnce } from "../../shell/useOnce";
import classes from "./BrandStage.module.css";
import { hangingOn, RemoveDialog } from "./RemoveDialog";
import { useTypedColor } from "./useTypedColor";

interface Props {
  index: number;
  color: NonNullable<Spec["brand"]>[number];
  count: number;
}

/** One brand colour: a large plain swatch, its name, its code in any notation, what it is used for. */
export function BrandCard({ index, color, count }: Props) {
  const { theme, preview, draft, commit, discard } = useTheEditor();
  const [name, setName] = useState(color.name);
  useEffect(() => setName(color.name), [color.name]);
  const [slug, setSlug] = useState(color.slug ?? "");
  useEffect(() => setSlug(color.slug ?? ""), [color.slug]);
  const [nameRefusal, setNameRefusal] = useState<string>();
  const once = useOnce();
  const [removing, setRemoving] = useState(false);
  const saved = theme.spec.brand?.find((b) => b.slug === color.slug)?.color ?? color.color;
  const pending = useRef<string>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);

  const save = () => {
    clearTimeout(timer.current);
    const next = pending.current;
    pending.current = undefined;
    if (next && next !== saved)
      void commit((s) => setBrand(s, index, { color: next }), `${color.name}: ${saved} → ${next}`);
  };
  const saveLatest = useRef(save);
  saveLatest.current = save;

  const typed = useTypedColor(saved, (seen) => {
    pending.current = seen.css;
    draft((s) => setBrand(s, index, { color: seen.css }));
    // A pause in typing, or a picker that stays open, saves as well as leaving the field.
    clearTimeout(timer.current);
    timer.current = setTimeout(() => saveLatest.current(), 1200);
  });

  const leave = () => {
    if (typed.refusal) {
      pending.current = undefined;
      discard();
    } else save();
  };
  const rename = async (next: { name: string; slug?: string }) => {
    try {
      const body = { spec: theme.spec, brand: color.slug ?? "", ...next };
      const renamed = await answer(api.POST("/api/rename-brand", { body }));
      const label = next.slug ? `${color.name}: slug ${next.slug}` : `${color.name} renamed to ${next.name}`;
      await commit(() => renamed.spec, label);
      setNameRefusal(undefined);
    } catch (error) {
      setNameRefusal(refusalIn(error));
    }
  };
  const leaveName = () => {
    if (name.trim() === "") setName(color.name);
    else if (name.trim() !== color.name) void once("name", name, () => rename({ name: name.trim() }));
  };
  const leaveSlug = () => {
    if (slug.trim() !== color.slug)
      void once("slug", slug, () => rename({ name: color.name, slug: slug.trim() }));
  };
  const hanging = hangingOn(theme.spec, color.slug ?? "");
  const remove = () => {
    setRemoving(false);
    void commit((s) => removeBrand(s, index), `${color.name} removed`);
  };
  const uses = preview?.derived.intents.filter((i) => i.scale === color.slug).map((i) => i.name) ?? [];
  const steps = preview?.derived.scales.find((s) => s.slug === color.slug)?.steps;
  const pinned = steps?.find((s) => s.pinned)?.label;

  return (
    <li className={classes.card}>
      <div className={classes.swatch} style={{ "--swatch": typed.seen?.hex ?? saved } as React.CSSProperties}>
        <input
          type="color"
          className={classes.picker}
          aria-label={`Pick ${color.name}`}
          value={typed.seen?.hex.slice(0, 7) ?? "#000000"}
          onChange={(e) => typed.type(e.currentTarget.value)}
          onBlur={leave}
        />
      </div>
      <div className={classes.fields}>
        <TextInput
          label="Name"
          value={name}
          maxLength={200}
          onChange={(e) => setName(e.currentTarget.value)}
          error={nameRefusal}
          onBlur={leaveName}
          onKeyDown={(e) => e.key === "Enter" && leaveName()}
        />
        <TextInput
          label="Colour"
          value={typed.text}
          error={typed.refusal}
          spellCheck={false}
          styles={{ input: { fontFamily: "var(--mono)" } }}
          onChange={(e) => typed.type(e.currentTarget.value)}
          onBlur={leave}
          onKeyDown={(e) => e.key === "Enter" && !typed.refusal && save()}
        />
        <div className={classes.tools}>
          <button
            type="button"
            className={classes.tool}
            aria-label={`Move ${color.name} up`}
            disabled={index === 0}
            onClick={() => commit((s) => moveBrand(s, index, index - 1), `${color.name} moved up`)}
          >
            <IconArrowUp size={15} />
          </button>
          <button
            type="button"
            className={classes.tool}
            aria-label={`Move ${color.name} down`}
            disabled={index === count - 1}
            onClick={() => commit((s) => moveBrand(s, index, index + 1), `${color.name} moved down`)}
          >
            <IconArrowDown size={15} />
          </button>
          <button
            type="button"
            className={classes.tool}
            aria-label={`Remove ${color.name}`}
            disabled={count === 1 && !theme.parent}
            onClick={() => (hanging.length > 0 ? setRemoving(true) : remove())}
          >
            <IconX size={15} />
          </button>
        </div>
      </div>
      <div className={classes.codes}>
        {typed.seen &&
          [typed.seen.hex, typed.seen.rgb, typed.seen.hsl, typed.seen.oklch].map((code) => (
            <CopyButton key={code} text={code} />
          ))}
      </div>
      <p className={classes.use}>
        {uses.length > 0 ? <b>{uses.join(", ")}</b> : "no intent"} ·{" "}
        <input
          className={classes.slug}
          aria-label={`Slug of ${color.name}`}
          value={slug}
          maxLength={60}
          spellCheck={false}
          onChange={(e) => setSlug(e.currentTarget.value)}
          onBlur={leaveSlug}
          onKeyDown={(e) => e.key === "Enter" && leaveSlug()}
        />
        {pinned && ` · exact at ${pinned}`}
      </p>
      <RemoveDialog
        name={color.name}
        hanging={hanging}
        opened={removing}
        onClose={() => setRemoving(false)}
        onRemove={remove}
      />
    </li>
  );
}
