import { cellOf } from "../../api/cellOf";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { removeToken } from "../../editor/edits";
import { useShown } from "../../editor/level";
import { documentOf } from "../../editor/selectors";
import { GiveBack } from "../../lineage/GiveBack";
import { decisionsAt, useLineage, whoseIs } from "../../lineage/useLineage";
import { CopyButton } from "../../ui/CopyButton";
import { Swatch } from "../../ui/Swatch";
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
  const editor = useEditor();
  const document = useEditorState(documentOf);
  const lineage = useLineage();
  const { level, derived } = useShown();
  const allPairs = derived?.pairs ?? [];
  const tokens = derived?.tokens ?? [];
  const codeOf = (path: string, mode: "light" | "dark") =>
    cellOf(
      tokens.find((t) => t.path === path),
      mode,
    )?.value;
  const { token, usedBy } = row;
  // What a child decides about this token itself.
  const [slug, label] = token.path.split(".");
  const places = [
    `/roles/${token.path}`,
    `/contrast/roles/${token.path}`,
    `/tokens/${token.path}`,
    `/scales/${slug}/pins/${label}`,
    `/scales/${slug}/lightness/${label}`,
  ];
  const own = decisionsAt(lineage, (place) => places.some((p) => place === p || place.startsWith(`${p}/`)));
  const pairs = allPairs.filter((p) => p.fg === token.path || p.bg === token.path);
  const more = useEditorState((s) => s.preview?.derived.more?.cells);
  // Where that level is shown, its values stand in the first lines.
  const raised = level === "usual" ? (more?.filter((cell) => cell.path === token.path) ?? []) : [];
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
        {token.section === "own" && document.tokens?.[token.path] && (
          <button
            type="button"
            className={classes.remove}
            onClick={() => void editor.commit((d) => removeToken(d, token.path), `${token.path} removed`)}
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
              {token.kind === "color" && <Swatch colors={[cell.value]} />}
              <CopyButton text={cell.value} />{" "}
              {whoseIs(lineage, row.sources[mode === "dark" ? "dark" : "light"]) ?? cell.origin}:{" "}
              {cell.reason}
            </dd>
          </div>
        ))}
        {raised.map((cell) => (
          <div key={`more ${cell.mode}`}>
            <dt>more contrast, {cell.mode}</dt>
            <dd>
              <Swatch colors={[cell.value]} /> <CopyButton text={cell.value} /> {cell.reason}
            </dd>
          </div>
        ))}
        {usedBy.length > 0 && (
          <div>
            <dt>used by</dt>
            <dd>
              {usedBy.map((path) => (
                <button key={path} type="button" className={classes.jump} onClick={() => onChoose(path)}>
                  <Swatch colors={[codeOf(path, "light"), codeOf(path, "dark")]} /> {path}
                </button>
              ))}
            </dd>
          </div>
        )}
        {own.length > 0 && (
          <div>
            <dt>own</dt>
            <dd>
              <GiveBack decisions={own} />
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
                  <Swatch colors={[codeOf(p.fg, p.mode), codeOf(p.bg, p.mode)]} />{" "}
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
