import { UnstyledButton } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useRef } from "react";
import { type Tie, workspaceQuery } from "../api/workspace";
import { useEditorState } from "../editor/EditorProvider";
import { themeOf } from "../editor/selectors";
import { dialogs, useDialog } from "../shell/dialogs";
import { later } from "../ui/later";
import { opens, Panel } from "../ui/Panel";
import classes from "./Tie.module.css";
import { useFollowing } from "./useFollowing";

const TieDetail = later(() => import("./TieDetail").then((m) => m.TieDetail));

/** How each state is told in a word or two. */
const STATES: Record<Tie["state"], string> = {
  "in-step": "in step",
  clash: "both changed",
  broken: "not usable",
  gone: "file gone",
  failed: "not written",
  cut: "cut",
};

/** The project's folder, and how the theme at hand and its document there stand. */
export function TieMark() {
  const { data: workspace } = useQuery(workspaceQuery);
  const { slug } = useEditorState(themeOf);
  const { opened, onClose } = useDialog("folder");
  const setOpened = (open: boolean) => (open ? dialogs.open("folder") : onClose());
  const mark = useRef<HTMLButtonElement>(null);
  const tie = workspace?.ties.find((t) => t.slug === slug);
  useFollowing(tie);
  if (!workspace?.folder) return null;
  const isWell = !workspace.problem && (!tie || tie.state === "in-step" || tie.state === "cut");
  const state = workspace.problem ? "not reached" : tie ? STATES[tie.state] : "not tied";
  return (
    <>
      <UnstyledButton
        ref={mark}
        className={classes.mark}
        data-alarm={!isWell || undefined}
        onClick={() => setOpened(!opened)}
        {...opens(opened)}
      >
        <span className="visually-hidden">Folder </span>
        {workspace.folder}
        <small>{tie && tie.kept.length > 0 ? `${state}, ${tie.kept.length} kept` : state}</small>
      </UnstyledButton>
      {opened && (
        <Panel
          at={mark.current}
          label="The project’s folder"
          width={320}
          position="right-end"
          withArrow
          onClose={onClose}
        >
          <TieDetail slug={slug} tie={tie} workspace={workspace} />
        </Panel>
      )}
    </>
  );
}
