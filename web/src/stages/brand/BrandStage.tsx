import { useTheEditor } from "../../editor/EditorContext";
import { AddBrand } from "./AddBrand";
import { BrandCard } from "./BrandCard";
import classes from "./BrandStage.module.css";
import { Companions } from "./Companions";
import { TypeAndShape } from "./TypeAndShape";

/** Where colours come from. */
export function BrandStage() {
  const { spec, theme } = useTheEditor();
  const brand = spec.brand ?? [];
  return (
    <div className={classes.stage}>
      <div className={classes.head}>
        <h1 className={classes.title}>Brand colours</h1>
        <p className={classes.hint}>
          The first is primary, the second secondary, the third accent. Each keeps its exact code.
        </p>
      </div>
      {theme.parent && (
        <p className={classes.hint}>
          Extends <b>{theme.parent}</b>: its colours hold wherever none is set here.
        </p>
      )}
      <ul className={classes.list}>
        {brand.map((color, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: name, slug and code all change while a card is edited
          <BrandCard key={i} index={i} color={color} count={brand.length} />
        ))}
      </ul>
      <AddBrand />
      <Companions />
      <TypeAndShape />
    </div>
  );
}
