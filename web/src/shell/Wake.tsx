import { Modal } from "@mantine/core";
import { useState } from "react";
import { useTheEditor } from "../editor/EditorContext";
import classes from "./Frame.module.css";
import { WakeList } from "./WakeList";

/** The last change, what it moved, and whether anything became unreadable. */
export function Wake() {
  const { theme, preview, problem } = useTheEditor();
  const [open, setOpen] = useState(false);
  const wake = preview?.wake;
  if (problem) {
    return (
      <footer className={classes.wake}>
        <span className={classes.alarm} role="alert">
          {problem.detail}
        </span>
      </footer>
    );
  }
  const failed = preview?.derived.pairs.filter((p) => !p.pass).length ?? 0;
  return (
    <footer className={classes.wake}>
      <b>{theme.label}</b>
      {wake && wake.changes.length > 0 && (
        <>
          <span>·</span>
          <button type="button" className={classes.wakeButton} onClick={() => setOpen(true)}>
            {wake.changes.length} values moved
          </button>
        </>
      )}
      <span>·</span>
      {failed === 0 ? (
        <span>every pair readable</span>
      ) : (
        <span className={classes.alarm}>{failed} pairs below their limit</span>
      )}
      <Modal opened={open} onClose={() => setOpen(false)} title="What moved" size="lg">
        {wake && <WakeList wake={wake} />}
      </Modal>
    </footer>
  );
}
