import { Suspense } from "react";
import { useBrand, useLineage } from "../../lineage/useLineage";
import { landing } from "../../ui/arrive";
import { PartNav } from "../../ui/PartNav";
import { useStableKeys } from "../../ui/useStableKeys";
import { BrandRow } from "./BrandRow";
import classes from "./BrandStage.module.css";
import { ColorAtHand } from "./ColorAtHand";
import { Intents } from "./Intents";
import { SOURCES } from "./sources";
import { Tray } from "./Tray";
import { useBrandView } from "./useBrandView";

/** Where colours come from: all of them in sight, one open, one source at a time. */
export default function BrandStage() {
  const { open, source, openSource } = useBrandView();
  const parent = useLineage()?.parent;
  const brand = useBrand();
  // A colour that is renamed stays the one that is worked at.
  const keys = useStableKeys(brand.map((b) => b.slug ?? b.name));
  const Source = SOURCES.find((s) => s.id === source)?.load ?? SOURCES[0].load;
  return (
    <div className={classes.stage}>
      <h1 className="visually-hidden">Brand</h1>
      <BrandRow />
      {parent && !brand.some((b) => b.own) && (
        <p className={classes.hint}>
          Every colour is the one of <b>{parent.name}</b>; change one here, or add one, to differ.
        </p>
      )}
      {open && <ColorAtHand key={keys[brand.findIndex((b) => b.slug === open.slug)]} color={open} />}
      <Intents />
      <div className={classes.sources}>
        <PartNav label="Sources" parts={SOURCES} chosen={source} onChoose={openSource} />
      </div>
      <div className={classes.source} {...landing("source", source)}>
        <Suspense fallback={null}>
          <Source />
        </Suspense>
      </div>
      <Tray />
    </div>
  );
}
