import { useClipboard } from "@mantine/hooks";
import { memo, useMemo, useState } from "react";
import { cellOf } from "../../api/cellOf";
import type { Check, Level, Mode, Token } from "../../api/client";
import { toggleContrast } from "../../editor/level";
import { useGradually } from "../../ui/useGradually";
import { useList } from "../../ui/useList";
import classes from "./CheckStage.module.css";
import { cellsOf, familiesOf, rowsOf } from "./matrix";

interface Props {
  matrix: Check["matrix"];
  tokens: Token[];
  /** How much contrast the figures are for. */
  level: Level;
  /** Whether there is more than one level to choose. */
  hasLevels: boolean;
}

/** Rows that are drawn in one go. */
const AT_ONCE = 24;

/** Foregrounds down, grounds across: a cell is the ground, its figure stands in the ink itself. */
export function MatrixTable({ matrix, tokens, level, hasLevels }: Props) {
  const [mode, setMode] = useState<Mode>("light");
  const [family, setFamily] = useState("surface");
  const [words, setWords] = useState("");
  const [declared, setDeclared] = useState(true);
  const { copied, copy } = useClipboard({ timeout: 1500 });
  const [last, setLast] = useState("");
  const list = useList<HTMLTableElement>({ each: "tbody tr" });
  const families = useMemo(() => familiesOf(matrix.grounds), [matrix.grounds]);
  const colors = useMemo(() => new Map(tokens.map((t) => [t.path, cellOf(t, mode).value])), [tokens, mode]);
  const grounds = useMemo(
    () => matrix.grounds.flatMap((path, i) => (path.split(".")[0] === family ? [i] : [])),
    [matrix.grounds, family],
  );
  const rows = useMemo(
    () => rowsOf(matrix, mode, grounds, words, declared),
    [matrix, mode, grounds, words, declared],
  );
  const drawn = useGradually(rows.length, AT_ONCE);
  const take = (text: string) => {
    setLast(text);
    copy(text);
  };
  return (
    <section aria-label="Matrix" className={classes.matrix}>
      <div className={classes.controls}>
        <h2>Everything on everything</h2>
        {(["light", "dark"] as const).map((m) => (
          <button key={m} type="button" aria-pressed={m === mode} onClick={() => setMode(m)}>
            {m}
          </button>
        ))}
        {hasLevels && (
          <button type="button" aria-pressed={level === "more"} onClick={toggleContrast}>
            more contrast
          </button>
        )}
        <select aria-label="Grounds" value={family} onChange={(e) => setFamily(e.currentTarget.value)}>
          {families.map((name) => (
            <option key={name} value={name}>
              on {name}
            </option>
          ))}
        </select>
        <input
          type="search"
          aria-label="Find a foreground"
          placeholder="find a foreground"
          value={words}
          onChange={(e) => setWords(e.currentTarget.value)}
        />
        <label>
          <input type="checkbox" checked={declared} onChange={(e) => setDeclared(e.currentTarget.checked)} />
          only declared
        </label>
        <span role="status" className={classes.copied}>
          {copied ? `copied ${last}` : "a click copies a pair, with Shift its ratio"}
        </span>
      </div>
      {rows.length === 0 ? (
        <p className={classes.none}>Nothing is declared to stand there under these words.</p>
      ) : (
        <table {...list}>
          <thead>
            <tr>
              <td />
              {grounds.map((g) => (
                <th key={g} scope="col">
                  {matrix.grounds[g]?.split(".").slice(1).join(".")}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, drawn).map((ink) => (
              <Row
                key={ink}
                ink={ink}
                matrix={matrix}
                mode={mode}
                grounds={grounds.join(",")}
                colors={colors}
                onTake={take}
              />
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

interface RowProps {
  ink: number;
  matrix: Check["matrix"];
  mode: Mode;
  grounds: string;
  colors: Map<string, string>;
  onTake: (text: string) => void;
}

const Row = memo(function Row({ ink, matrix, mode, grounds, colors, onTake }: RowProps) {
  const path = matrix.inks[ink] ?? "";
  return (
    <tr>
      <th scope="row">{path}</th>
      {cellsOf(matrix, mode, ink, grounds.split(",").map(Number)).map((cell) => (
        <td key={cell.ground}>
          <button
            type="button"
            className={classes.cell}
            data-declared={cell.need > 0 || undefined}
            data-part={(cell.need > 0 && cell.need < matrix.text) || undefined}
            data-failing={cell.failing || undefined}
            style={{ color: colors.get(path), background: colors.get(cell.ground) }}
            aria-label={`${path} on ${cell.ground}: ${cell.ratio.toFixed(1)}`}
            title={
              cell.need > 0
                ? `${path} on ${cell.ground}: ${cell.ratio.toFixed(2)} of ${cell.need} : 1`
                : `${path} on ${cell.ground}: ${cell.ratio.toFixed(2)} : 1, not declared`
            }
            onClick={(e) =>
              onTake(
                e.shiftKey
                  ? cell.ratio.toFixed(2)
                  : `${path} ${colors.get(path)} on ${cell.ground} ${colors.get(cell.ground)}: ${cell.ratio.toFixed(2)} : 1`,
              )
            }
          >
            {/* A sample of the pair itself, read or not: what it says stands in the label. */}
            <span aria-hidden="true">{cell.ratio.toFixed(1)}</span>
          </button>
        </td>
      ))}
    </tr>
  );
});
