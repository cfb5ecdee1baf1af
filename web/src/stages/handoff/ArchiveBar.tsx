import { Button } from "@mantine/core";
import { useState } from "react";
import { answer, api, problemOf, type Target } from "../../api/client";
import { saveFile } from "../../api/save";
import { useEditorState } from "../../editor/EditorProvider";
import { documentOf, themeOf } from "../../editor/selectors";
import { editionOf } from "./edition";
import classes from "./HandoffStage.module.css";

interface Props {
  targets: Target[];
  chosen: string[];
  onChoose: (ids: string[], on: boolean) => void;
}

/** The name that the server gives the file (RFC 6266). */
function fileNameOf(response: Response): string {
  const told = response.headers.get("content-disposition") ?? "";
  return /filename="([^"]+)"/.exec(told)?.[1] ?? "theme.zip";
}

/** One archive of what is ticked. */
export function ArchiveBar({ targets, chosen, onChoose }: Props) {
  const spec = useEditorState(documentOf);
  const theme = useEditorState(themeOf);
  const [refusal, setRefusal] = useState<string>();
  const [busy, setBusy] = useState(false);
  const known = targets.filter((t) => chosen.includes(t.id)).map((t) => t.id);
  const rest = targets.filter((t) => !chosen.includes(t.id)).map((t) => t.id);
  const forms = Object.entries(spec.forms ?? {}).filter(([, form]) => form.pack !== false);
  const packed = [...known, ...forms.map(([name]) => `form:${name}`)];
  const download = async () => {
    setBusy(true);
    setRefusal(undefined);
    try {
      const body = { spec, targets: packed, ...editionOf(theme, spec), theme: theme.slug };
      const asked = api.POST("/api/archive", { body, parseAs: "blob" });
      const archive = await answer<unknown>(asked);
      saveFile(fileNameOf((await asked).response), archive as Blob);
    } catch (error) {
      setRefusal(problemOf(error).detail);
    } finally {
      setBusy(false);
    }
  };
  return (
    <div className={classes.archive}>
      <Button size="compact-sm" fullWidth disabled={packed.length === 0} loading={busy} onClick={download}>
        {packed.length === 0 ? "Tick what to pack" : `Download ${packed.length} as .zip`}
      </Button>
      <button
        type="button"
        className={classes.quiet}
        onClick={() => onChoose(rest.length > 0 ? rest : known, rest.length > 0)}
      >
        {rest.length > 0 ? "tick all" : "tick none"}
      </button>
      {refusal && (
        <p className={classes.error} role="alert">
          {refusal}
        </p>
      )}
    </div>
  );
}
