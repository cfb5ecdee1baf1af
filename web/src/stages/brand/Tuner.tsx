import { useEditorState } from "../../editor/EditorProvider";
import { scalesOf } from "../../editor/selectors";
import type { ShownColor } from "../../lineage/useLineage";
import classes from "./Tuner.module.css";
import { TunerStrip } from "./TunerStrip";
import { useTuner } from "./useTuner";

const PAGES = ["light page", "dark page"];

/** Three strips, each painted with what the colour would become there. */
export function Tuner({ slug, color }: { slug: string; color: ShownColor }) {
  const { view, place, move, step, end } = useTuner(slug, color);
  const scales = useEditorState(scalesOf);
  if (!view) return <div className={classes.tuner} />;
  const others = (scales ?? [])
    .filter((scale) => scale.origin !== "derived" && scale.slug !== slug)
    .flatMap((scale) => {
      const base = scale.steps[scale.base];
      return base ? [{ name: scale.name, base }] : [];
    });
  const shared = { move, step, end, place };
  return (
    <div className={classes.tuner}>
      <TunerStrip
        {...shared}
        axis="lightness"
        name="L*"
        strip={view.lightness}
        value={view.at.lightness}
        digits={1}
        grain={0.5}
        lines={view.lines.map((line) => ({
          at: line.lightness,
          dark: line.page === 1,
          text: `${line.ratio}`,
          title: `${line.ratio} : 1 on the ${PAGES[line.page]}`,
        }))}
        ticks={others.map(({ name, base }) => ({ at: base.lightness, name, color: base.hex }))}
      />
      <TunerStrip
        {...shared}
        axis="strength"
        name="strength"
        strip={view.strength}
        value={view.at.strength}
        digits={3}
        grain={0.002}
        gamut={view.end}
        ticks={others.map(({ name, base }) => ({ at: base.chroma, name, color: base.hex }))}
      />
      <TunerStrip
        {...shared}
        axis="hue"
        name="hue"
        strip={view.hue}
        value={view.at.hue}
        digits={0}
        grain={1}
        unit="°"
        around
        ticks={others.flatMap(({ name, base }) =>
          base.hue === null || base.hue === undefined ? [] : [{ at: base.hue, name, color: base.hex }],
        )}
      />
    </div>
  );
}
