import { TextInput } from "@mantine/core";
import { useEffect, useState } from "react";
import { refusalOf } from "../../api/client";
import { useEditor } from "../../editor/EditorProvider";
import { useOnce } from "../../ui/useOnce";
import classes from "./ColorAtHand.module.css";
import { useBrandView } from "./useBrandView";

/** The name or the slug: what is refused stays, with the reason at its own field. */
export function Renaming({ slug, name, what }: { slug: string; name: string; what: "name" | "slug" }) {
  const editor = useEditor();
  const current = what === "name" ? name : slug;
  const [text, setText] = useState(current);
  const [refusal, setRefusal] = useState<string>();
  const once = useOnce();
  const { openBrand } = useBrandView();
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
      const { theme, problem } = await editor.change(change, label, { atField: true });
      setRefusal(problem && refusalOf(problem));
      const renamed = theme?.spec.brand?.find((b) => b.name === (what === "name" ? wanted : name));
      if (renamed?.slug) openBrand(renamed.slug);
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
