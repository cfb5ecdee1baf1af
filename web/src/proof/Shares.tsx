import { useQuery } from "@tanstack/react-query";
import { cellOf } from "../api/cellOf";
import type { Mode, Token } from "../api/client";
import { vocabularyQuery } from "../api/queries";
import { useEditor, useEditorState } from "../editor/EditorProvider";
import { Swatch } from "../ui/Swatch";
import classes from "./ProofPane.module.css";
import { PARTS, type Part, sumsOf } from "./shares";

const percent = (share: number) => `${Math.round(share * 100)} %`;

interface Props {
  /** By the name of the custom property. */
  shares: Map<string, number>;
  /** The token of a custom property. */
  tokenOf: (css: string) => Token | undefined;
  mode: Mode;
}

/** How much of the page each colour covers, against the theme's aim. */
export function Shares({ shares, tokenOf, mode }: Props) {
  const editor = useEditor();
  const { data } = useQuery(vocabularyQuery);
  const own = useEditorState((s) => s.document.aim);
  const aim = own ?? data?.aim;
  if (!aim) return null;
  const colorOf = (css: string) => cellOf(tokenOf(css), mode)?.value;
  const partOf = (css: string): Part => tokenOf(css)?.share ?? "accent";
  /** The two others share what is left, in the proportion that they had. */
  const setAim = (part: Part, value: number) => {
    const left = PARTS.filter((p) => p !== part);
    const before = left.reduce((sum, p) => sum + aim[p], 0) || 1;
    const next = { ...aim, [part]: value };
    for (const p of left) next[p] = Math.round((aim[p] / before) * (100 - value));
    next[left[0] ?? part] += 100 - next.dominant - next.secondary - next.accent;
    void editor.commit(
      (d) => ({ ...d, aim: next }),
      `aim: ${next.dominant}, ${next.secondary}, ${next.accent} %`,
    );
  };
  const sums = sumsOf(shares, partOf);
  const grounds = [...shares].sort((a, b) => b[1] - a[1]).slice(0, 12);
  return (
    <section className={classes.shares} aria-label="Proportions">
      <div className={classes.aims} aria-hidden="true">
        <i style={{ insetInlineStart: `${aim.dominant}%` }} title={`aim: dominant ${aim.dominant} %`} />
        <i
          style={{ insetInlineStart: `${aim.dominant + aim.secondary}%` }}
          title={`aim: secondary ${aim.secondary} %`}
        />
      </div>
      <div className={classes.shareBar} aria-hidden="true">
        {PARTS.map((part) => (
          <span key={part} style={{ flexGrow: sums[part] }}>
            {grounds
              .filter(([name]) => partOf(name) === part)
              .map(([name, share]) => (
                <i
                  key={name}
                  style={{ flexGrow: share, background: colorOf(name) }}
                  title={`${name.slice(2)} ${percent(share)}`}
                />
              ))}
          </span>
        ))}
      </div>
      <p className={classes.shareParts}>
        {PARTS.map((part) => (
          <span key={part}>
            {part} <b>{percent(sums[part])}</b> of{" "}
            <input
              key={aim[part]}
              className={classes.aim}
              type="number"
              aria-label={`Aim for ${part}, percent`}
              min={0}
              max={100}
              defaultValue={aim[part]}
              onBlur={(e) =>
                Number(e.currentTarget.value) !== aim[part] && setAim(part, Number(e.currentTarget.value))
              }
              onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
            />{" "}
            %
          </span>
        ))}
      </p>
      <p className={classes.shareList}>
        {grounds.slice(0, 6).map(([name, share]) => (
          <span key={name}>
            <Swatch colors={[colorOf(name)]} /> {name.slice(2)} {percent(share)}
          </span>
        ))}
      </p>
    </section>
  );
}
