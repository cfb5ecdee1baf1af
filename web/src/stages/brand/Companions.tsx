import { Button, NativeSelect, SegmentedControl } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { documentOf } from "../../editor/selectors";
import { Swatch } from "../../ui/Swatch";
import classes from "./BrandStage.module.css";
import { HueWheel } from "./HueWheel";

interface Kept {
  hex: string;
  name: string;
}

/** Companions of a brand colour by hue relation: keep some, draw the others again, go back. */
export function Companions() {
  const editor = useEditor();
  const brand = useEditorState(documentOf).brand ?? [];
  const [of, setOf] = useState("");
  const [relation, setRelation] = useState("triad");
  const [draw, setDraw] = useState(0);
  const [kept, setKept] = useState<Kept[]>([]);
  const base = brand.find((b) => b.slug === of) ?? brand[0];
  const { data } = useQuery({
    queryKey: ["companions", base?.color, draw],
    queryFn: () => answer(api.POST("/api/companions", { body: { color: base?.color ?? "", draw } })),
    enabled: base !== undefined,
    placeholderData: (previous) => previous,
  });
  if (!base || !data) return null;
  const drawn = data.relations.find((r) => r.relation === relation)?.companions ?? [];
  const isKept = (hex: string) => kept.some((k) => k.hex === hex);
  const toggle = (one: Kept) =>
    setKept(isKept(one.hex) ? kept.filter((k) => k.hex !== one.hex) : [...kept, one]);
  const rest = drawn.filter((d) => !isKept(d.hex));
  const take = async () => {
    const colors = kept.map((k) => ({ name: k.name, color: k.hex }));
    const label = `${kept.map((k) => k.name).join(", ")} added`;
    const { theme } = await editor.change({ do: "add-brand", colors }, label);
    if (theme) setKept([]);
  };
  return (
    <section className={classes.companions} aria-label="Companions">
      <h2 className={classes.title}>Companions</h2>
      <HueWheel
        wheel={data.wheel}
        hue={data.hue ?? 0}
        turns={[0, ...drawn.map((d) => d.turn)]}
        codes={[data.hex, ...drawn.map((d) => d.hex)]}
      />
      <div className={classes.companionTools}>
        <NativeSelect
          size="xs"
          label="Of"
          data={brand.map((b) => ({ value: b.slug ?? "", label: b.name }))}
          value={base.slug ?? ""}
          onChange={(e) => setOf(e.currentTarget.value)}
        />
        <SegmentedControl
          size="xs"
          aria-label="Relation"
          data={data.relations.map((r) => r.relation)}
          value={relation}
          onChange={setRelation}
        />
        <ul className={classes.drawn} aria-label="Drawn companions">
          {[...kept, ...rest].map((one) => (
            <li key={one.hex}>
              <button
                type="button"
                aria-pressed={isKept(one.hex)}
                onClick={() => toggle({ hex: one.hex, name: one.name })}
              >
                <Swatch colors={[one.hex]} /> {one.name} <code>{one.hex}</code>{" "}
                {isKept(one.hex) ? "kept" : "keep"}
              </button>
            </li>
          ))}
        </ul>
        <div className={classes.drawTools}>
          <Button size="compact-sm" variant="default" disabled={draw === 0} onClick={() => setDraw(draw - 1)}>
            Earlier draw
          </Button>
          <Button size="compact-sm" variant="default" onClick={() => setDraw(draw + 1)}>
            Draw again
          </Button>
          <Button size="compact-sm" disabled={kept.length === 0} onClick={take}>
            Add kept
          </Button>
        </div>
      </div>
    </section>
  );
}
