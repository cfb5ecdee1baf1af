import { useEffect, useId, useRef } from "react";
import type { MapLine } from "../../../api/exist";
import { Swatch } from "../../../ui/Swatch";
import classes from "./Existing.module.css";
import { MapCell } from "./MapCell";
import { TokenList } from "./TokenList";

interface Props {
  lines: MapLine[];
  /** The colour whose line is looked for. */
  at: string | undefined;
  map: Record<string, string | null>;
  /** Why choices are refused, by their JSON Pointers. */
  refusals: Record<string, string>;
  /** Another colour for one of the files; undefined gives the choice back. */
  onChange: (hex: string, to: string | null | undefined) => void;
}

/** Lines in order, relatives under the colour that they follow. */
function ordered(lines: MapLine[]): MapLine[] {
  const heads = lines.filter((line) => !line.follows || !lines.some((l) => l.hex === line.follows));
  return heads.flatMap((head) => [
    head,
    ...lines.filter((line) => line.follows === head.hex && line !== head),
  ]);
}

/** Every colour of the files beside what it becomes, how often, where and why. */
export function MapTable({ lines, at, map, refusals, onChange }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (at) frame.current?.querySelector(`[data-hex="${at}"]`)?.scrollIntoView({ block: "nearest" });
  }, [at]);
  const list = useId();
  return (
    <div ref={frame} className={classes.frame}>
      <TokenList id={list} kind="color" />
      <table className={classes.map}>
        <thead>
          <tr>
            <th scope="col">in the files</th>
            <th scope="col">becomes</th>
            <th scope="col">places</th>
            <th scope="col">why</th>
          </tr>
        </thead>
        <tbody>
          {ordered(lines).map((line) => {
            const chosen = map[line.hex];
            return (
              <tr
                key={line.hex}
                data-hex={line.hex}
                data-at={line.hex === at || undefined}
                data-kin={line.follows ? true : undefined}
                data-doubtful={line.doubtful || undefined}
              >
                <td>
                  <Swatch colors={[line.hex]} large /> <code>{line.hex}</code>
                </td>
                <td>
                  <MapCell
                    line={line}
                    chosen={chosen}
                    list={list}
                    error={refusals[`/map/${line.hex}`]}
                    onChange={(to) => onChange(line.hex, to)}
                  />
                </td>
                <td title={line.places.join("\n")}>
                  {line.count > 0 && `${line.count} × `}
                  <small>{line.places[0]}</small>
                </td>
                <td>
                  <small>{why(line, chosen)}</small>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function why(line: MapLine, chosen: string | null | undefined): string {
  if (chosen === null) return "left by you";
  if (line.doubtful) return line.why ?? "";
  if (chosen !== undefined) return "set by you";
  if (line.follows) return `kin of ${line.follows}`;
  if (line.new.length > 0) return "its token";
  return line.why === "not in the map" ? "stays" : (line.why ?? "");
}
