import { Button, NativeSelect, SegmentedControl } from "@mantine/core";
import { useQueries, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../../api/client";
import { useEditorState } from "../../../editor/EditorProvider";
import { intentsOf, scalesOf, themeOf } from "../../../editor/selectors";
import { useBrand } from "../../../lineage/useLineage";
import { Swatch } from "../../../ui/Swatch";
import { Tick } from "../../../ui/Tick";
import { offer } from "../tray";
import classes from "./CompanionSource.module.css";
import { LevelBand } from "./LevelBand";

const STATUS = ["success", "warning", "danger", "info"];

/** Companions of a brand colour: drawn, turned by hand, held in the tray. */
export default function CompanionSource() {
  const { id } = useEditorState(themeOf);
  const brand = useBrand();
  const [of, setOf] = useState("");
  const [relation, setRelation] = useState("triad");
  const [draw, setDraw] = useState(0);
  const [draws, setDraws] = useState([0]);
  const [apart, setApart] = useState(false);
  const [together, setTogether] = useState(true);
  const [turns, setTurns] = useState<number[]>();
  const status = useStatusColors();
  const base = brand.find((b) => b.slug === of) ?? brand[0];
  const color = base?.color ?? "";
  const others = apart ? status : [];
  const asked = (draw: number, turns: number[] = []) => ({
    queryKey: ["companions", color, draw, others, turns],
    queryFn: () => answer(api.POST("/api/companions", { body: { color, draw, apart: others, turns } })),
    enabled: base !== undefined,
  });
  const { data } = useQuery({ ...asked(draw, turns), placeholderData: (previous) => previous });
  const earlier = useQueries({ queries: draws.map((one) => asked(one)) });
  const { data: tuner } = useQuery({
    queryKey: ["band", color],
    queryFn: () => answer(api.POST("/api/tuner", { body: { color } })),
    enabled: base !== undefined,
  });
  if (!base || !data || !tuner) return null;
  const drawnOf = (found: typeof data) =>
    found.relations.find((r) => r.relation === relation)?.companions ?? [];
  const drawn = turns ? data.own : drawnOf(data);
  const show = (to: number) => {
    setDraw(to);
    setTurns(undefined);
    setDraws((all) => (all.includes(to) ? all : [...all, to]));
  };
  const turn = (index: number, to: number) => {
    const before = drawn.map((d) => d.turn);
    const by = to - (before[index] ?? 0);
    setTurns(before.map((t, i) => (together || i === index ? t + by : t)));
  };
  const hold = (ones: { name: string; hex: string }[], words: string) =>
    offer(
      id,
      ones.map(({ name, hex }) => ({
        name,
        color: hex,
        from: { kind: "companion", of: base.name, relation: words },
      })),
    );
  return (
    <section className={classes.companions} aria-label="Companions">
      <div className={classes.tools}>
        <NativeSelect
          size="xs"
          aria-label="Companions of"
          data={brand.map((b) => ({ value: b.slug ?? "", label: `of ${b.name}` }))}
          value={base.slug ?? ""}
          onChange={(e) => {
            setOf(e.currentTarget.value);
            setTurns(undefined);
          }}
        />
        <SegmentedControl
          size="xs"
          aria-label="Relation"
          data={data.relations.map((r) => r.relation)}
          value={relation}
          onChange={(to) => {
            setRelation(to);
            setTurns(undefined);
          }}
        />
      </div>
      <LevelBand
        stops={tuner.hue.stops}
        hue={data.hue ?? 0}
        base={{ name: base.name, hex: data.hex }}
        companions={drawn}
        onTurn={turn}
      />
      <div className={classes.tools}>
        <ul className={classes.drawn} aria-label="Drawn companions">
          {drawn.map((one) => (
            <li key={`${one.turn}`}>
              <button
                type="button"
                title="Hold in the tray"
                onClick={() => hold([one], turns ? "turned" : relation)}
              >
                <Swatch colors={[one.hex]} /> {one.name} <code>{one.hex}</code>
              </button>
            </li>
          ))}
          {data.partners.slice(0, 1).map((hex) => (
            <li key={hex}>
              <button
                type="button"
                title={`The nearest colour of its hue that is read on ${base.name}`}
                onClick={() => hold([{ name: `${base.name} partner`, hex }], "readable")}
              >
                <Swatch colors={[hex]} /> readable on it <code>{hex}</code>
              </button>
            </li>
          ))}
        </ul>
        <div className={classes.draws}>
          <Button size="compact-sm" variant="default" onClick={() => show(Math.max(...draws) + 1)}>
            Draw again
          </Button>
          <Button size="compact-sm" onClick={() => hold(drawn, turns ? "turned" : relation)}>
            Hold all
          </Button>
        </div>
      </div>
      <div className={classes.tools}>
        <Tick label="turn all together" checked={together} onTick={(on) => setTogether(on)} />
        <Tick
          label="apart from success, warning, danger and info"
          checked={apart}
          onTick={(on) => {
            setApart(on);
            setTurns(undefined);
          }}
        />
        {draws.length > 1 && (
          <fieldset className={classes.earlier} aria-label="Earlier draws">
            {draws.map((one, i) => (
              <button
                key={one}
                type="button"
                aria-label={`Draw ${i + 1}`}
                aria-pressed={one === draw && !turns}
                onClick={() => show(one)}
              >
                {(earlier[i]?.data ? drawnOf(earlier[i].data) : []).map((c) => (
                  <i key={`${c.turn}`} style={{ background: c.hex }} />
                ))}
              </button>
            ))}
          </fieldset>
        )}
      </div>
    </section>
  );
}

/** The colours that say how something went. */
function useStatusColors(): string[] {
  const intents = useEditorState(intentsOf) ?? [];
  const scales = useEditorState(scalesOf) ?? [];
  return intents
    .filter((one) => STATUS.includes(one.name))
    .flatMap((one) => {
      const scale = scales.find((s) => s.slug === one.scale);
      const hex = scale?.steps[scale.base]?.hex;
      return hex ? [hex] : [];
    });
}
