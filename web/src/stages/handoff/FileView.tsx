import { Button } from "@mantine/core";
import { useClipboard } from "@mantine/hooks";
import hljs from "highlight.js/lib/core";
import css from "highlight.js/lib/languages/css";
import { useMemo } from "react";
import classes from "./HandoffStage.module.css";

hljs.registerLanguage("css", css);

/** One written file: highlighted, to copy and to download. */
export function FileView({ path, text }: { path: string; text: string }) {
  const { copied, copy } = useClipboard({ timeout: 1200 });
  const html = useMemo(() => ({ __html: hljs.highlight(text, { language: "css" }).value }), [text]);
  const download = () => {
    const address = URL.createObjectURL(new Blob([text], { type: "text/plain" }));
    const link = document.createElement("a");
    link.href = address;
    link.download = path;
    link.click();
    URL.revokeObjectURL(address);
  };
  return (
    <section className={classes.file} aria-label={path}>
      <div className={classes.fileHead}>
        <span className={classes.path}>{path}</span>
        <span className={classes.size}>{(text.length / 1024).toFixed(1)} KB</span>
        <Button size="compact-sm" variant="default" onClick={() => copy(text)}>
          {copied ? "Copied" : "Copy all"}
        </Button>
        <Button size="compact-sm" variant="default" onClick={download}>
          Download
        </Button>
      </div>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by keyboard */}
      <pre className={classes.code} tabIndex={0}>
        {/* biome-ignore lint/security/noDangerouslySetInnerHtml: the highlighter escapes the text it is given */}
        <code dangerouslySetInnerHTML={html} />
      </pre>
    </section>
  );
}
