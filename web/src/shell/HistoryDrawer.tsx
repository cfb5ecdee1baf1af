import { Button, Checkbox, Drawer, Group } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { useState } from "react";
import { answer, api } from "../api/client";
import { useEditor, useEditorState } from "../editor/EditorProvider";
import { themeOf } from "../editor/selectors";
import { Sentence } from "../ui/Sentence";
import { useDialog } from "./dialogs";
import classes from "./HistoryDrawer.module.css";

const time = new Intl.DateTimeFormat(undefined, { dateStyle: "medium", timeStyle: "short" });

/** Every saved state of the theme, with small pictures of its scales. */
export function HistoryDrawer() {
  const { opened, onClose } = useDialog("history");
  const editor = useEditor();
  const theme = useEditorState(themeOf);
  const [withHandoff, setWithHandoff] = useState(false);
  const navigate = useNavigate();
  const { data: revisions = [] } = useQuery({
    queryKey: ["revisions", theme.id, theme.revision],
    queryFn: () =>
      answer(api.GET("/api/themes/{slug}/revisions", { params: { path: { slug: theme.slug } } })),
    enabled: opened,
    placeholderData: (previous) => previous,
  });
  const compare = (revision: number) => {
    void navigate({ to: ".", search: (s) => ({ ...s, against: `rev-${revision}` }) });
    onClose();
  };
  return (
    <Drawer
      opened={opened}
      onClose={onClose}
      title="Revisions"
      position="right"
      size={420}
      transitionProps={{ duration: 0 }}
      closeButtonProps={{ "aria-label": "Close" }}
    >
      <Checkbox
        size="xs"
        mb="sm"
        label="restore the choices of the handoff too"
        checked={withHandoff}
        onChange={(e) => setWithHandoff(e.currentTarget.checked)}
      />
      <ol className={classes.list}>
        {revisions.map((r) => (
          <li
            key={r.revision}
            className={classes.item}
            aria-current={r.revision === theme.revision ? "true" : undefined}
          >
            <Picture scales={r.scales} />
            <div>
              <b>
                <Sentence text={r.label} />
              </b>
              <div className={classes.when}>
                rev {r.revision} · {time.format(new Date(r.createdAt))}
                {r.cameFrom && r.cameFrom !== r.revision - 1 ? ` · from rev ${r.cameFrom}` : ""}
              </div>
              {r.revision !== theme.revision && (
                <Group gap={6} mt={4}>
                  <Button size="compact-xs" variant="default" onClick={() => compare(r.revision)}>
                    Compare
                  </Button>
                  <Button
                    size="compact-xs"
                    variant="default"
                    onClick={() => void editor.restore(r.revision, !withHandoff)}
                  >
                    Restore
                  </Button>
                </Group>
              )}
            </div>
          </li>
        ))}
      </ol>
    </Drawer>
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
        // biome-ignore lint/suspicious/noArrayIndexKey: a picture has places, not identities
        codes.map((code, x) => <rect key={`${y} ${x}`} x={x} y={y} width="1.02" height="1.02" fill={code} />),
      )}
    </svg>
  );
}
