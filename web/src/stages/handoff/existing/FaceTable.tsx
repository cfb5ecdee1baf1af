import { useId } from "react";
import type { FaceLine } from "../../../api/exist";
import { BecomesField } from "./BecomesField";
import classes from "./Existing.module.css";
import { Leave } from "./Leave";
import { TokenList } from "./TokenList";

interface Props {
  lines: FaceLine[];
  /** What somebody chose, by face. */
  chosen: Record<string, string | null>;
  /** Why choices are refused, by their JSON Pointers. */
  refusals: Record<string, string>;
  /** Another face for one of the files; undefined gives the choice back. */
  onChange: (face: string, to: string | null | undefined) => void;
}

/** A face in a JSON Pointer (RFC 6901, 3). */
const pointerOf = (face: string) => `/faces/${face.replaceAll("~", "~0").replaceAll("/", "~1")}`;

/** Every face that a list of the files begins with, and what takes its place. */
export function FaceTable({ lines, chosen, refusals, onChange }: Props) {
  const list = useId();
  const errorOf = (face: string) => refusals[pointerOf(face)];
  return (
    <div className={classes.frame}>
      <TokenList id={list} kind="fontFamily" />
      <table className={classes.map}>
        <thead>
          <tr>
            <th scope="col">face in the files</th>
            <th scope="col">becomes</th>
            <th scope="col">places</th>
            <th scope="col">written</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={line.face}>
              <td style={{ fontFamily: `${JSON.stringify(line.face)}, var(--mantine-font-family)` }}>
                {line.face}
              </td>
              <td>
                <span className={classes.cell}>
                  <BecomesField
                    old={line.face}
                    chosen={chosen[line.face]}
                    placeholder="face or token"
                    title="One face stands before the same fallbacks; a list takes the place of the whole list"
                    list={list}
                    error={errorOf(line.face)}
                    onChange={(to) => onChange(line.face, to)}
                  />
                  <Leave isLeft={chosen[line.face] === null} onChange={(to) => onChange(line.face, to)} />
                  {errorOf(line.face) && (
                    <small role="alert" className={classes.refusal}>
                      {errorOf(line.face)}
                    </small>
                  )}
                  {line.unloaded.length > 0 && (
                    <small className={classes.unloaded}>
                      None of the files loads {line.unloaded.join(" or ")}: bring a face of that name, or load
                      its style sheet.
                    </small>
                  )}
                </span>
              </td>
              <td title={line.places.join("\n")}>
                {line.count} × <small>{line.places[0]}</small>
              </td>
              <td>
                <small>{chosen[line.face] === null ? "left by you" : line.new.join(" · ") || "stays"}</small>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
