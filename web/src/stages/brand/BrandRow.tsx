import { useQuery } from "@tanstack/react-query";
import type { KeyboardEvent } from "react";
import { vocabularyQuery } from "../../api/queries";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { intentsOf } from "../../editor/selectors";
import { useBrand, useLineage } from "../../lineage/useLineage";
import { played } from "../played";
import classes from "./BrandRow.module.css";
import { type Dragged, drags, takes } from "./drag";
import { told } from "./provenance";
import { useBrandView } from "./useBrandView";
import { useTake } from "./useTake";

/** How large colours are drawn: as large as all of them fit. */
const sized = (count: number) => (count <= 7 ? "few" : count <= 16 ? "many" : "crowd");

/** Every brand colour side by side, in the user's order; one of them is open. */
export function BrandRow() {
  const editor = useEditor();
  const brand = useBrand();
  const ownCount = brand.filter((b) => b.own).length;
  const parent = useLineage()?.parent;
  const intents = useEditorState(intentsOf);
  const { data: vocabulary } = useQuery(vocabularyQuery);
  const { open, openBrand, openSource } = useBrandView();
  const take = useTake();
  const move = (slug: string, name: string, to: number) => {
    const from = brand.findIndex((b) => b.slug === slug);
    // Those of the parent keep their places; the document's own stand behind them in their order.
    const offset = brand.length - ownCount;
    if (!brand[from]?.own || to < offset || to >= brand.length || to === from) return;
    const way = to < from ? "earlier" : "later";
    openBrand(slug);
    void editor.change({ do: "move-brand", brand: slug, to: to - offset }, `${name} moved ${way}`);
  };
  const dropped = (what: Dragged, to: number) => {
    if ("brand" in what) move(what.brand, what.name, to);
    else take([what.candidate]);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>, index: number) => {
    const way = { ArrowLeft: -1, ArrowUp: -1, ArrowRight: 1, ArrowDown: 1 }[event.key];
    const own = brand[index];
    if (way === undefined || !own?.slug) return;
    event.preventDefault();
    if (event.altKey) return move(own.slug, own.name, index + way);
    const next = brand[index + way];
    if (!next?.slug) return;
    openBrand(next.slug);
    const buttons = event.currentTarget.closest("ul")?.querySelectorAll<HTMLElement>("button");
    buttons?.[index + way]?.focus();
  };
  const known = vocabulary?.intents ?? [];
  return (
    <ul className={classes.row} data-size={sized(brand.length)} aria-label="Brand colours">
      {brand.map((color, i) => {
        const slug = color.slug ?? "";
        const plays = played(intents ?? [], known, slug);
        return (
          <li key={slug} {...takes((what) => dropped(what, i))}>
            <button
              type="button"
              className={classes.color}
              style={{ "--fill": color.color } as React.CSSProperties}
              aria-pressed={open?.slug === slug}
              tabIndex={open?.slug === slug ? 0 : -1}
              data-inherited={!color.own || undefined}
              title={`${color.name} ${color.color}, ${color.own ? told(color.from) : `from ${parent?.name}`}`}
              onClick={() => openBrand(slug)}
              onKeyDown={(e) => onKeyDown(e, i)}
              {...drags({ brand: slug, name: color.name, color: color.color })}
            >
              <span className={classes.field} />
              <b>{color.name}</b>
              <small>{plays.join(", ") || (color.own ? "own" : "inherited")}</small>
            </button>
          </li>
        );
      })}
      <li {...takes((what) => dropped(what, brand.length - 1))}>
        <button
          type="button"
          className={classes.plus}
          aria-label="Add a colour"
          title="Type or paste one"
          onClick={() => openSource("type")}
        >
          +
        </button>
      </li>
    </ul>
  );
}
