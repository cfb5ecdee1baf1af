import { ActionIcon, UnstyledButton } from "@mantine/core";
import { IconX } from "@tabler/icons-react";
import { useState } from "react";
import { useEditor, useEditorState } from "../editor/EditorProvider";
import { useBelow } from "../lineage/useBelow";
import { counted } from "../ui/counted";
import { Dialog } from "../ui/Dialog";
import { later } from "../ui/later";
import { countMoved } from "../ui/moved";
import { Sentence } from "../ui/Sentence";
import { useGoTo } from "../ui/useGoTo";
import classes from "./Frame.module.css";

const BelowList = later(() => import("../lineage/BelowList").then((m) => m.BelowList));
const WakeList = later(() => import("../ui/WakeList").then((m) => m.WakeList));

/** The last change, what it moved, and whether anything became unreadable. */
export function Wake() {
  const editor = useEditor();
  const doubt = useEditorState((s) => s.away ?? s.doubt);
  const refused = useEditorState((s) => s.refused);
  if (refused) {
    return (
      <footer className={classes.wake}>
        <span className={classes.alarm} role="alert">
          “{refused.label}” was not saved: {refused.problem.detail}
        </span>
        <ActionIcon
          size="sm"
          variant="subtle"
          color="ink"
          aria-label="Dismiss"
          onClick={editor.forgetRefusal}
        >
          <IconX size={14} />
        </ActionIcon>
      </footer>
    );
  }
  if (doubt) {
    return (
      <footer className={classes.wake}>
        <span className={classes.alarm} role="alert">
          {doubt.detail}
        </span>
      </footer>
    );
  }
  return <Calm />;
}

/** What the last change, or the one under way, moves in the themes that extend this one. */
function Below() {
  const below = useBelow();
  const [open, setOpen] = useState(false);
  if (!below || below.length === 0) return null;
  const lost = below.filter((one) => one.broken || one.unreadable.length > 0);
  const words = `moves ${counted(below.length, "theme")} below`;
  return (
    <>
      <span>·</span>
      <UnstyledButton
        className={`${classes.wakeButton} ${lost.length > 0 ? classes.alarm : ""}`}
        onClick={() => setOpen(true)}
      >
        {lost.length > 0 ? `${words}, ${lost.length} with unreadable pairs` : words}
      </UnstyledButton>
      <Dialog opened={open} onClose={() => setOpen(false)} title="What moves in the themes below" size="lg">
        <BelowList below={below} />
      </Dialog>
    </>
  );
}

function Calm() {
  const event = useEditorState((s) => s.event);
  const wake = useEditorState((s) => s.preview?.wake);
  const failed = useEditorState((s) => s.preview?.derived.pairs.filter((p) => !p.pass).length ?? 0);
  const counts = useEditorState((s) => s.preview?.counts);
  const found = (counts?.errors ?? 0) + (counts?.warnings ?? 0);
  const goTo = useGoTo();
  const [open, setOpen] = useState(false);
  return (
    <footer className={classes.wake}>
      <b>
        <Sentence text={event} />
      </b>
      {wake && countMoved(wake) > 0 && (
        <>
          <span>·</span>
          <UnstyledButton className={classes.wakeButton} onClick={() => setOpen(true)}>
            {counted(countMoved(wake), "value")} moved
          </UnstyledButton>
        </>
      )}
      <Below />
      <span>·</span>
      {failed === 0 ? (
        <span>every pair readable</span>
      ) : (
        <UnstyledButton
          className={`${classes.wakeButton} ${classes.alarm}`}
          onClick={() => goTo("ledger", { failing: true })}
        >
          {failed === 1 ? "1 pair below its limit" : `${failed} pairs below their limit`}
        </UnstyledButton>
      )}
      {found > 0 && (
        <>
          <span>·</span>
          <UnstyledButton className={classes.wakeButton} onClick={() => goTo("check")}>
            {counted(found, "finding")}
          </UnstyledButton>
        </>
      )}
      <Dialog opened={open} onClose={() => setOpen(false)} title="What moved" size="lg">
        {wake && <WakeList {...wake} />}
      </Dialog>
    </footer>
  );
}
