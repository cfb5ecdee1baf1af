import { Button, Group, TextInput } from "@mantine/core";
import { useNavigate } from "@tanstack/react-router";
import { useState } from "react";
import { refusalIn, type Theme } from "../../api/client";
import { useEditor } from "../../editor/EditorProvider";
import { Sentence } from "../../ui/Sentence";
import classes from "./History.module.css";
import { type Revision, useNaming } from "./useRevisions";

const time = new Intl.DateTimeFormat(undefined, { timeStyle: "short" });

interface Props {
  revision: Revision;
  theme: Theme;
  /** Whether restoring it brings the choices of the handoff back too. */
  withHandoff: boolean;
  onClose: () => void;
}

/** One revision: how its scales looked, what it changed, what can be done with it. */
export function RevisionRow({ revision, theme, withHandoff, onClose }: Props) {
  const editor = useEditor();
  const navigate = useNavigate();
  const [naming, setNaming] = useState(false);
  const isCurrent = revision.revision === theme.revision;
  const compare = () => {
    void navigate({ to: ".", search: (s) => ({ ...s, against: `rev-${revision.revision}` }) });
    onClose();
  };
  const from = revision.cameFrom && revision.cameFrom !== revision.revision - 1;
  return (
    <li className={classes.item} aria-current={isCurrent ? "true" : undefined}>
      <Picture scales={revision.scales} />
      <div>
        {revision.name && <strong className={classes.name}>{revision.name}</strong>}
        <b>
          <Sentence text={revision.label} />
        </b>
        <div className={classes.when}>
          rev {revision.revision} · {time.format(new Date(revision.createdAt))}
          {from ? ` · from rev ${revision.cameFrom}` : ""}
        </div>
        {naming ? (
          <NameField revision={revision} theme={theme} onDone={() => setNaming(false)} />
        ) : (
          <Group gap={6} mt={4}>
            {!isCurrent && (
              <>
                <Button size="compact-xs" variant="default" onClick={compare}>
                  Compare
                </Button>
                <Button
                  size="compact-xs"
                  variant="default"
                  onClick={() => void editor.restore(revision.revision, !withHandoff)}
                >
                  Restore
                </Button>
              </>
            )}
            <Button size="compact-xs" variant="default" onClick={() => setNaming(true)}>
              {revision.name ? "Rename …" : "Name …"}
            </Button>
          </Group>
        )}
      </div>
    </li>
  );
}

function NameField({ revision, theme, onDone }: Pick<Props, "revision" | "theme"> & { onDone: () => void }) {
  const [text, setText] = useState(revision.name ?? "");
  const { mutate, error, isPending } = useNaming(theme, revision.revision);
  return (
    <form
      className={classes.naming}
      onSubmit={(e) => {
        e.preventDefault();
        mutate(text, { onSuccess: onDone });
      }}
    >
      <TextInput
        size="xs"
        autoFocus
        aria-label={`Name of revision ${revision.revision}`}
        placeholder="such as: sent to the printer"
        value={text}
        error={error && refusalIn(error)}
        onChange={(e) => setText(e.currentTarget.value)}
        onKeyDown={(e) => {
          if (e.key !== "Escape") return;
          // The drawer stays open.
          e.stopPropagation();
          onDone();
        }}
      />
      <Button size="xs" type="submit" loading={isPending}>
        Save
      </Button>
      <Button size="xs" variant="default" onClick={onDone}>
        Leave
      </Button>
    </form>
  );
}

function Picture({ scales }: { scales: string[][] }) {
  const steps = Math.max(1, ...scales.map((s) => s.length));
  return (
    <svg
      className={classes.picture}
      viewBox={`0 0 ${steps} ${Math.max(1, scales.length)}`}
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      {scales.map((codes, y) =>
        // A scale with fewer steps fills the width too.
        codes.map((code, x) => (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: a picture has places, not identities
            key={`${y} ${x}`}
            x={(x * steps) / codes.length}
            y={y}
            width={steps / codes.length + 0.02}
            height="1.02"
            fill={code}
          />
        )),
      )}
    </svg>
  );
}
