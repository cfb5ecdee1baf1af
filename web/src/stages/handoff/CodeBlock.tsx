import { useIntersection } from "@mantine/hooks";
import { memo } from "react";
import classes from "./HandoffStage.module.css";
import { highlighted } from "./highlight";

/** Lines of a block; what is out of sight stays plain text. */
export const BLOCK = 60;

interface Props {
  path: string;
  lines: string[];
  /** Index of the first line in the file. */
  from: number;
  /** Changed lines of this block, by index in the file, joined; a plain value keeps the block still. */
  changed: string;
  /** The line that the keyboard or the search stands on. */
  current: number | undefined;
}

/** A run of lines, highlighted once it comes near. */
export const CodeBlock = memo(function CodeBlock({ path, lines, from, changed, current }: Props) {
  const { ref, entry } = useIntersection({ rootMargin: "300px" });
  const marks = new Set(changed === "" ? [] : changed.split(",").map(Number));
  const near = entry?.isIntersecting ?? false;
  return (
    <div ref={ref} className={classes.block} style={{ "--lines": lines.length } as React.CSSProperties}>
      {lines.map((line, i) => {
        const index = from + i;
        const shared = {
          "data-line": index,
          "data-changed": marks.has(index) || undefined,
          "data-current": index === current || undefined,
          className: classes.line,
        };
        if (!near) {
          return (
            <span key={index} {...shared}>
              {line || " "}
            </span>
          );
        }
        const html = { __html: highlighted(line, path) || " " };
        // biome-ignore lint/security/noDangerouslySetInnerHtml: the highlighter escapes the text it is given
        return <span key={index} {...shared} dangerouslySetInnerHTML={html} />;
      })}
    </div>
  );
});
