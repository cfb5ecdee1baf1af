import { TextInput } from "@mantine/core";
import { IconArrowDown, IconArrowUp, IconX } from "@tabler/icons-react";
import { useEffect, useRef, useState } from "react";
import type { Spec } from "../../api/client";
import { useTheEditor } from "../../editor/EditorContext";
import { moveBrand, removeBrand, setBrand } from "../../editor/edits";
import { CopyButton } from "../../shell/CopyButton";
import classes from "./BrandStage.module.css";
import { useTypedColor } from "./useTypedColor";

interface Props {
  index: number;
  color: NonNullable<Spec["brand"]>[number];
  count: number;
}

/** One brand colour: a large plain swatch, its name, its code in any notation, what it is used for. */
export function BrandCard({ index, color, count }: Props) {
  const { theme, spec, preview, draft, commit, discard } = useTheEditor();
  const [name, setName] = useState(color.name);
  useEffect(() => setName(color.name), [color.name]);
  const saved = theme.spec.brand?.find((b) => b.slug === color.slug)?.color ?? color.color;
  const pending = useRef<string>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);

  const save = () => {
    clearTimeout(timer.current);
    const next = pending.current;
    pending.current = undefined;
    if (next && next !== saved)
      void commit(setBrand(spec, index, { color: next }), `${color.name}: ${saved} → ${next}`);
  };
  const saveLatest = useRef(save);
  saveLatest.current = save;

  const typed = useTypedColor(saved, (seen) => {
    pending.current = seen.css;
    draft(setBrand(spec, index, { color: seen.css }));
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
  const rename = () => {
    const next = name.trim();
    if (next === "" || next === color.name) setName(color.name);
    else void commit(setBrand(spec, index, { name: next }), `${color.name} renamed to ${next}`);
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
          onBlur={rename}
          onKeyDown={(e) => e.key === "Enter" && rename()}
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
            onClick={() => commit(moveBrand(spec, index, index - 1), `${color.name} moved up`)}
          >
            <IconArrowUp size={15} />
          </button>
          <button
            type="button"
            className={classes.tool}
            aria-label={`Move ${color.name} down`}
            disabled={index === count - 1}
            onClick={() => commit(moveBrand(spec, index, index + 1), `${color.name} moved down`)}
          >
            <IconArrowDown size={15} />
          </button>
          <button
            type="button"
            className={classes.tool}
            aria-label={`Remove ${color.name}`}
            disabled={count === 1 && !theme.parent}
            onClick={() => commit(removeBrand(spec, index), `${color.name} removed`)}
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
        {uses.length > 0 ? <b>{uses.join(", ")}</b> : "no intent"} · {color.slug}
        {pinned && ` · exact at ${pinned}`}
      </p>
    </li>
  );
}
