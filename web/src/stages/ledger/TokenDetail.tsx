import { useTheEditor } from "../../editor/EditorContext";
import { removeToken } from "../../editor/edits";
import { CopyButton } from "../../shell/CopyButton";
import classes from "./Ledger.module.css";
import type { Row } from "./rows";

interface Props {
  row: Row;
  /** How it is called in the target at hand, if one with names is. */
  name: string | undefined;
  onChoose: (path: string) => void;
}

/** Why a token has its value, where it is used, and on what it must be read. */
export function TokenDetail({ row, name, onChoose }: Props) {
  const { spec, preview, commit } = useTheEditor();
  const { token, usedBy } = row;
  const pairs = preview?.derived.pairs.filter((p) => p.fg === token.path || p.bg === token.path) ?? [];
  const cells = token.dark
    ? ([
        ["light", token.light],
        ["dark", token.dark],
      ] as const)
    : ([["both", token.light]] as const);
  return (
    <section className={classes.detail} aria-label={`About ${token.path}`}>
      <div className={classes.detailHead}>
        <h2>{token.path}</h2>
        <CopyButton text={token.css} />
        <CopyButton text={name ?? `var(${token.css})`} />
        {token.section === "own" && spec.tokens?.[token.path] && (
          <button
            type="button"
            className={classes.remove}
            onClick={() => commit((s) => removeToken(s, token.path), `${token.path} removed`)}
          >
            remove
          </button>
        )}
      </div>
      <dl className={classes.facts}>
        {cells.map(([mode, cell]) => (
          <div key={mode}>
            <dt>{mode}</dt>
            <dd>
              <CopyButton text={cell.value} /> {cell.origin}: {cell.reason}
            </dd>
          </div>
        ))}
        {usedBy.length > 0 && (
          <div>
            <dt>used by</dt>
            <dd>
              {usedBy.map((path) => (
                <button key={path} type="button" className={classes.jump} onClick={() => onChoose(path)}>
                  {path}
                </button>
              ))}
            </dd>
          </div>
        )}
        {pairs.length > 0 && (
          <div>
            <dt>pairs</dt>
            <dd>
              {pairs.map((p) => (
                <span
                  key={`${p.mode} ${p.fg} ${p.bg}`}
                  className={classes.pair}
                  data-failing={!p.pass || undefined}
                >
                  {p.fg === token.path ? `on ${p.bg}` : `under ${p.fg}`} {p.mode} {p.ratio.toFixed(2)}
                  {p.pass ? "" : ` of ${p.need}`}
                </span>
              ))}
            </dd>
          </div>
        )}
      </dl>
    </section>
  );
}
