import type { Recolored } from "../../../api/exist";
import type { SourceFile } from "../../../api/inventory";
import { Swatch } from "../../../ui/Swatch";
import classes from "./Existing.module.css";

interface Props {
  before: SourceFile[];
  files: Recolored["files"];
}

/** The most changes that are shown of a file. */
const MOST = 200;
/** How many characters are shown around a change. */
const AROUND = 34;

/** A place that changes: of a colour or of a face. */
type Change = Pick<Recolored["files"][number]["changes"][number], "line" | "column" | "from" | "to"> & {
  before?: string;
  after?: string;
};

/** A line before and behind a place, which is told in bytes. */
function around(line: string, column: number, from: string): [string, string] {
  const bytes = new TextEncoder().encode(line);
  const before = new TextDecoder().decode(bytes.subarray(0, column - 1));
  const behind = line.slice(before.length + from.length);
  const start = before.trimStart();
  return [start.length > AROUND ? `… ${start.slice(-AROUND)}` : start, behind.slice(0, AROUND)];
}

/** What changes in each file: each place with the text around it, as it was and as it is. */
export function ChangedLines({ before, files }: Props) {
  return files
    .filter((file) => file.changes.length + file.faces.length > 0)
    .map((file) => {
      const changes: Change[] = [...file.changes, ...file.faces].sort(
        (a, b) => a.line - b.line || a.column - b.column,
      );
      const old = before.find((one) => one.name === file.name)?.text.split("\n") ?? [];
      return (
        <section key={file.name} className={classes.file} aria-label={`Changes of ${file.name}`}>
          <h2>
            {file.name} <small>{changes.length} changed</small>
          </h2>
          {file.unreadable.map((lost) => (
            <p key={`${lost.line} ${lost.text}`} className={classes.lost}>
              <Swatch colors={[lost.text, lost.ground]} large /> line {lost.line}: {lost.text} on{" "}
              {lost.ground} was {lost.before.toFixed(2)} : 1 and is {lost.after.toFixed(2)} : 1; text needs
              4.5
            </p>
          ))}
          <ol>
            {changes.slice(0, MOST).map((change) => {
              const [start, end] = around(old[change.line - 1] ?? "", change.column, change.from);
              return (
                <li key={`${change.line} ${change.column}`}>
                  <span>{change.line}</span>
                  <code>
                    {start}
                    <Spelt text={change.from} code={change.before} /> →{" "}
                    <Spelt text={change.to} code={change.after} />
                    {end}
                  </code>
                </li>
              );
            })}
          </ol>
          {changes.length > MOST && <p>and {changes.length - MOST} more</p>}
        </section>
      );
    });
}

/** What is written at a place, with its swatch where it is a colour. */
function Spelt({ text, code }: { text: string; code: string | undefined }) {
  return (
    <b>
      {code && (
        <>
          <Swatch colors={[code]} />{" "}
        </>
      )}
      {text}
    </b>
  );
}
