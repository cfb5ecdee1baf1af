import { useQuery } from "@tanstack/react-query";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { useCallback, useEffect, useMemo } from "react";
import { vocabularyQuery } from "../../api/queries";
import { useShown } from "../../editor/level";
import { useGradually } from "../../ui/useGradually";
import { useList } from "../../ui/useList";
import { useSame } from "../../ui/useSame";
import { played } from "../played";
import { Axis, Limits } from "./Axis";
import { Opened } from "./Opened";
import { rolesBySteps } from "./roles";
import { ScaleLine } from "./ScaleLine";
import classes from "./Stave.module.css";
import { Together } from "./Together";
import { chooseTogether } from "./together";

/** Rows that are drawn in one go: those that a window shows. */
const AT_ONCE = 12;

/** Every scale a line, every step at its measured lightness. */
export default function StaveStage() {
  const search = useSearch({ from: "/themes/$slug" });
  const navigate = useNavigate();
  const { derived } = useShown();
  const roles = useSame(useMemo(() => (derived ? rolesBySteps(derived) : {}), [derived]));
  // What is chosen here is chosen for this theme, while one looks at it.
  useEffect(() => () => chooseTogether([]), []);
  const show = useCallback(
    (slug: string) => void navigate({ to: ".", search: (s) => ({ ...s, scale: slug }) }),
    [navigate],
  );
  const { data: vocabulary } = useQuery(vocabularyQuery);
  const usual = vocabulary?.intents ?? [];
  const list = useList<HTMLElement>({ each: "[data-head]" });
  const rows = useGradually(derived?.scales.length ?? 0, AT_ONCE);
  // Below more lines than a window shows nobody sees it at first.
  const isWhole = rows === derived?.scales.length;
  const open = derived?.scales.find((s) => s.slug === search.scale) ?? derived?.scales[0];
  if (!derived) return null;
  // Against which page the limits are drawn, and how much is asked for, follows what the proof shows.
  const mode = search.proof === "dark" ? "dark" : "light";
  const guide = derived.guides[mode];
  return (
    <div className={classes.stage}>
      <h1 className="visually-hidden">Stave</h1>
      <section className={classes.stave} aria-label="Scales" {...list}>
        <Axis guide={guide} />
        <Limits guide={guide} />
        {derived.scales.slice(0, rows).map((scale) => (
          <ScaleLine
            key={scale.slug}
            scale={scale}
            // A derived scale is told as derived; a brand colour may be named after the part that it plays.
            intents={played(derived.intents, scale.origin === "derived" ? [] : usual, scale.slug).join(", ")}
            roles={roles}
            open={scale === open}
            onOpen={show}
          />
        ))}
      </section>
      <Together scales={derived.scales} />
      {open && isWhole && <Opened scale={open} mode={mode} />}
      {derived.notes.map((note) => (
        <p key={note} className={classes.note}>
          {note}
        </p>
      ))}
    </div>
  );
}
