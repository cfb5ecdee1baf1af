import { useClipboard } from "@mantine/hooks";
import { type KeyboardEvent, type MouseEvent, useEffect, useMemo, useRef, useState } from "react";
import { BLOCK, CodeBlock, LINE } from "./CodeBlock";
import { changedLines } from "./changed";
import classes from "./HandoffStage.module.css";

interface Props {
  path: string;
  text: string;
  /** How many lines at the head tell where the file comes from. */
  head: number;
  /** The file before the last change. */
  before: string | undefined;
}

/** A file's lines: the last change marked, one line copied at a click or by the keyboard. */
export function CodeView({ path, text, head, before }: Props) {
  const lines = useMemo(() => text.replace(/\n$/, "").split("\n"), [text]);
  const changed = useMemo(
    () => changedLines(lines, before?.replace(/\n$/, "").split("\n"), head),
    [lines, before, head],
  );
  const [current, setCurrent] = useState<number>();
  const [words, setWords] = useState("");
  const { copied, copy } = useClipboard({ timeout: 1500 });
  const [last, setLast] = useState("");
  const frame = useRef<HTMLPreElement>(null);

  // Lines that wrap are higher than arithmetic has it: the line is looked for where it came to be.
  useEffect(() => {
    if (current === undefined) return;
    const look = () => frame.current?.querySelector("[data-current]")?.scrollIntoView({ block: "nearest" });
    const timer = setTimeout(look, 60);
    return () => clearTimeout(timer);
  }, [current]);

  const copyLine = (index: number) => {
    const line = (lines[index] ?? "").trim().replace(/[,;]$/, "");
    if (line === "") return;
    setLast(line);
    copy(line);
  };
  const go = (index: number) => {
    const to = Math.max(0, Math.min(lines.length - 1, index));
    setCurrent(to);
    const pre = frame.current;
    if (!pre) return;
    // By arithmetic: lines out of sight have no elements.
    const [top, bottom] = [to * LINE, (to + 1) * LINE - pre.clientHeight + 2 * LINE];
    if (pre.scrollTop > top) pre.scrollTop = top;
    else if (pre.scrollTop < bottom) pre.scrollTop = bottom;
  };
  const find = (from: number, wanted = words) => {
    const needle = wanted.trim().toLowerCase();
    if (needle === "") return setCurrent(undefined);
    const at = (i: number) => lines[(from + i) % lines.length]?.toLowerCase().includes(needle);
    const found = lines.findIndex((_, i) => at(i));
    if (found >= 0) go((from + found) % lines.length);
    else setCurrent(undefined);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key === "ArrowDown") go((current ?? -1) + 1);
    else if (event.key === "ArrowUp") go((current ?? 1) - 1);
    else if (event.key === "Enter" && current !== undefined) copyLine(current);
    else return;
    event.preventDefault();
  };
  const onClick = (event: MouseEvent) => {
    if (window.getSelection()?.toString()) return;
    const line = (event.target as HTMLElement).closest<HTMLElement>("[data-line]")?.dataset.line;
    if (line === undefined) return;
    setCurrent(Number(line));
    copyLine(Number(line));
  };
  const nextChange = () => {
    const sorted = [...changed].sort((a, b) => a - b);
    const next = sorted.find((i) => i > (current ?? -1)) ?? sorted[0];
    if (next !== undefined) go(next);
  };

  const blocks = [];
  for (let from = 0; from < lines.length; from += BLOCK) {
    const part = lines.slice(from, from + BLOCK);
    const marks = part.flatMap((_, i) => (changed.has(from + i) ? [from + i] : []));
    const inside = current !== undefined && current >= from && current < from + BLOCK;
    blocks.push(
      <CodeBlock
        key={from}
        path={path}
        lines={part}
        from={from}
        changed={marks.join(",")}
        current={inside ? current : undefined}
      />,
    );
  }
  return (
    <>
      <div className={classes.codeHead}>
        <input
          className={classes.find}
          type="search"
          placeholder="find a token"
          aria-label="Find in the file"
          value={words}
          onChange={(e) => {
            setWords(e.currentTarget.value);
            find(0, e.currentTarget.value);
          }}
          onKeyDown={(e) => {
            if (e.key !== "Enter") return;
            if (e.shiftKey && current !== undefined) copyLine(current);
            else find((current ?? -1) + 1);
          }}
        />
        {changed.size > 0 && (
          <button type="button" className={classes.quiet} onClick={nextChange}>
            {changed.size === 1 ? "1 line changed" : `${changed.size} lines changed`}
          </button>
        )}
        <span className={classes.copied} role="status">
          {copied ? `copied ${last}` : "a click copies a line"}
        </span>
      </div>
      <pre
        ref={frame}
        className={classes.code}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by keyboard
        tabIndex={0}
        title="A click copies a line; arrow keys and Enter do too"
        onKeyDown={onKey}
        onClick={onClick}
      >
        {blocks}
      </pre>
    </>
  );
}
