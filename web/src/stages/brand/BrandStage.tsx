import { useEditorState } from "../../editor/EditorProvider";
import { documentOf, themeOf } from "../../editor/selectors";
import { useStableKeys } from "../../ui/useStableKeys";
import { AddBrand } from "./AddBrand";
import { BrandCard } from "./BrandCard";
import classes from "./BrandStage.module.css";
import { Companions } from "./Companions";
import { TypeAndShape } from "./TypeAndShape";

/** Where colours come from. */
export default function BrandStage() {
  const brand = useEditorState(documentOf).brand ?? [];
  const keys = useStableKeys(brand.map((b) => b.slug ?? b.name));
  const theme = useEditorState(themeOf);
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
          <BrandCard key={keys[i]} index={i} color={color} count={brand.length} />
        ))}
      </ul>
      <AddBrand />
      <Companions />
      <TypeAndShape />
    </div>
  );
}
