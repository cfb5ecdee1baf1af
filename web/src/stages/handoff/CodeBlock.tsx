import { useIntersection } from "@mantine/hooks";
import { type CSSProperties, memo, useDeferredValue, useEffect, useReducer } from "react";
import { colorIn } from "../../ui/colorIn";
import classes from "./HandoffStage.module.css";
import { highlighted, isKnown, know } from "./highlight";

/** Lines of a block; a block that is out of sight is one plain text. */
export const BLOCK = 50;
/** Height of a line in px, as the style sheet has it. */
export const LINE = 18;

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
export const CodeBlock = memo(function CodeBlock(props: Props) {
  const { ref, entry } = useIntersection({ rootMargin: "300px" });
  const near = useDeferredValue(entry?.isIntersecting ?? false);
  return (
    <div ref={ref} className={classes.block} style={{ "--lines": props.lines.length } as CSSProperties}>
      {near ? <Lines {...props} /> : props.lines.join("\n")}
    </div>
  );
});

/** Draws the lines again once the language of their file is there; until then they are as they are. */
function useLanguage(path: string) {
  const [, draw] = useReducer((times: number) => times + 1, 0);
  useEffect(() => {
    if (!isKnown(path)) void know(path).then(draw);
  }, [path]);
}

function Lines({ path, lines, from, changed, current }: Props) {
  useLanguage(path);
  const marks = new Set(changed === "" ? [] : changed.split(",").map(Number));
  return lines.map((line, i) => {
    const index = from + i;
    const html = { __html: highlighted(line, path) || " " };
    // Resources of apps begin eight digits with the opacity.
    const color = colorIn(line, path.endsWith(".xml"));
    return (
      <span
        key={index}
        className={classes.line}
        data-line={index}
        data-changed={marks.has(index) || undefined}
        data-current={index === current || undefined}
        data-color={color && true}
        style={color ? ({ "--told": color } as CSSProperties) : undefined}
        // biome-ignore lint/security/noDangerouslySetInnerHtml: the highlighter escapes the text it is given
        dangerouslySetInnerHTML={html}
      />
    );
  });
}
