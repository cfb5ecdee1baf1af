import { Button, Drawer, Text, TextInput } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useState } from "react";
import { useEditorState } from "../../editor/EditorProvider";
import { themeOf } from "../../editor/selectors";
import { Tick } from "../../ui/Tick";
import { useDialog } from "../dialogs";
import { byDay } from "./days";
import classes from "./History.module.css";
import { RevisionRow } from "./RevisionRow";
import { useRevisions } from "./useRevisions";

/** Every saved state of the theme by day, with small pictures of its scales. */
export function HistoryDrawer() {
  const { opened, onClose } = useDialog("history");
  return (
    <Drawer opened={opened} onClose={onClose} title="Revisions" position="right" size={480}>
      <History onClose={onClose} />
    </Drawer>
  );
}

function History({ onClose }: { onClose: () => void }) {
  const theme = useEditorState(themeOf);
  const [withHandoff, setWithHandoff] = useState(false);
  const [words, setWords] = useState("");
  const [wanted] = useDebouncedValue(words.trim(), 200);
  const { revisions, older, isLoading } = useRevisions(theme, wanted);
  return (
    <>
      <TextInput
        label="Search"
        placeholder="a name, what was changed, or a number"
        value={words}
        data-autofocus
        onChange={(e) => setWords(e.currentTarget.value)}
      />
      <p className={classes.restoring}>
        <Tick
          label="restore the choices of the handoff too"
          checked={withHandoff}
          onTick={(on) => setWithHandoff(on)}
        />
      </p>
      {byDay(revisions, new Date()).map(({ day, entries }) => (
        <section key={day} className={classes.day} aria-label={day}>
          <h3>{day}</h3>
          <ol className={classes.list}>
            {entries.map((revision) => (
              <RevisionRow
                key={revision.revision}
                revision={revision}
                theme={theme}
                withHandoff={withHandoff}
                onClose={onClose}
              />
            ))}
          </ol>
        </section>
      ))}
      {!isLoading && revisions.length === 0 && (
        <Text size="sm">{wanted ? `No revision tells of “${wanted}”.` : "Nothing is saved yet."}</Text>
      )}
      {older && (
        <Button variant="default" size="xs" mt="sm" onClick={older}>
          Show older ones
        </Button>
      )}
    </>
  );
}
