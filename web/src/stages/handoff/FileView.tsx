import { Button } from "@mantine/core";
import { useClipboard } from "@mantine/hooks";
import { useState } from "react";
import type { Export } from "../../api/client";
import { saveFile } from "../../api/save";
import { CodeView } from "./CodeView";
import classes from "./HandoffStage.module.css";
import { pictureOf } from "./picture";

type Files = Export["files"];

/** The written files, one at a time: to read, to copy and to download. */
export function FileView({ files, before }: { files: Files; before: Files | undefined }) {
  const { copied, copy } = useClipboard({ timeout: 1200 });
  const [chosen, setChosen] = useState<string>();
  const file = files.find((f) => f.path === chosen) ?? files[0];
  if (!file) return null;
  const earlier = before?.find((f) => f.path === file.path);
  const name = file.path.split("/").at(-1) ?? file.path;
  return (
    <section className={classes.file} aria-label={file.path}>
      <div className={classes.fileHead}>
        {files.length > 1 ? (
          <select
            className={classes.pick}
            aria-label="File"
            value={file.path}
            onChange={(e) => setChosen(e.currentTarget.value)}
          >
            {files.map((f) => (
              <option key={f.path}>{f.path}</option>
            ))}
          </select>
        ) : (
          <span className={classes.path}>{file.path}</span>
        )}
        <span className={classes.size}>{(file.text.length / 1024).toFixed(1)} KB</span>
        <Button size="compact-sm" variant="default" onClick={() => copy(file.text)}>
          {copied ? "Copied" : "Copy all"}
        </Button>
        <Button
          size="compact-sm"
          variant="default"
          onClick={() => saveFile(name, new Blob([file.text], { type: "text/plain" }))}
        >
          Download
        </Button>
        {name.endsWith(".svg") && (
          <Button
            size="compact-sm"
            variant="default"
            onClick={async () => saveFile(name.replace(/svg$/, "png"), await pictureOf(file.text))}
          >
            As PNG
          </Button>
        )}
      </div>
      <CodeView
        key={file.path}
        path={file.path}
        text={file.text}
        head={file.head}
        before={before && (earlier?.text ?? "")}
      />
    </section>
  );
}
