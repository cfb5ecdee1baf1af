import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../../api/client";
import { targetsQuery } from "../../api/queries";
import { useTheEditor } from "../../editor/EditorContext";
import { CopyButton } from "../../shell/CopyButton";
import { FileView } from "./FileView";
import classes from "./HandoffStage.module.css";
import { OptionField } from "./OptionField";

/** The files for a build, live. */
export function HandoffStage() {
  const { spec, theme } = useTheEditor();
  const { data: targets = [] } = useQuery(targetsQuery);
  const [id, setId] = useState("css");
  const [options, setOptions] = useState<Record<string, Record<string, string>>>({});
  const target = targets.find((t) => t.id === id);
  const chosen = options[id] ?? {};
  const { data: written, error } = useQuery({
    queryKey: ["export", id, chosen, spec],
    queryFn: () =>
      answer(
        api.POST("/api/export", {
          body: { spec, target: id, options: chosen, revision: theme.spec === spec ? theme.revision : null },
        }),
      ),
    placeholderData: (previous) => previous,
    retry: false,
  });
  const set = (key: string, value: string) => setOptions({ ...options, [id]: { ...chosen, [key]: value } });
  return (
    <div className={classes.stage}>
      <div className={classes.targets} role="tablist" aria-label="Targets">
        {targets.map((t) => (
          <button
            key={t.id}
            type="button"
            role="tab"
            aria-selected={t.id === id}
            className={classes.target}
            onClick={() => setId(t.id)}
          >
            {t.name}
          </button>
        ))}
      </div>
      {target && (
        <div className={classes.options}>
          {target.options.map((o) => (
            <OptionField
              key={`${id} ${o.key}`}
              option={o}
              value={chosen[o.key] ?? o.default}
              onChange={set}
            />
          ))}
        </div>
      )}
      {error && (
        <p className={classes.error} role="alert">
          {error.message}
        </p>
      )}
      {written && !error && (
        <>
          {written.files.map((file) => (
            <FileView key={file.path} path={file.path} text={file.text} />
          ))}
          {written.warnings.length > 0 && (
            <ul className={classes.warnings} aria-label="What this target cannot carry">
              {written.warnings.map((w) => (
                <li key={w.token}>
                  <b>{w.token}</b>: {w.message}
                </li>
              ))}
            </ul>
          )}
          <p className={classes.usage}>{target?.usage}</p>
          <p className={classes.usage}>
            In a pipeline: <CopyButton text={written.command} />
          </p>
        </>
      )}
    </div>
  );
}
