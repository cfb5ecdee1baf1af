import { Button, Switch, Text } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { refusalIn } from "../api/client";
import { decideTie, type Tie, type TieAsk, type Workspace, workspaceQuery } from "../api/workspace";
import { counted } from "../ui/counted";
import { ClashOfFile } from "./ClashOfFile";
import classes from "./Tie.module.css";

interface Props {
  slug: string;
  tie: Tie | undefined;
  workspace: Workspace;
}

/** How the theme and its document in the folder stand, and what is in the folder besides. */
export function TieDetail({ slug, tie, workspace }: Props) {
  return (
    <>
      {workspace.problem && (
        <Text size="sm" role="alert">
          {workspace.problem}
        </Text>
      )}
      <AtHand slug={slug} tie={tie} />
      {workspace.strangers.length > 0 && (
        <ul className={classes.strangers}>
          {workspace.strangers.map(({ path, why }) => (
            <li key={path}>
              <b>{path}</b> is no theme: {why}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** The tie at hand, and what can be done about it. */
function AtHand({ slug, tie }: { slug: string; tie: Tie | undefined }) {
  const client = useQueryClient();
  const [refusal, setRefusal] = useState<string>();
  const detail = useRef<HTMLDivElement>(null);
  // What was pressed is gone with the state that offered it: the keys go on with what is offered now.
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever the state changes
  useEffect(() => {
    if (document.activeElement === document.body) detail.current?.querySelector("button")?.focus();
  }, [tie?.state]);
  const decide = (ask: TieAsk) => {
    setRefusal(undefined);
    decideTie(slug, ask)
      .then((stands) => client.setQueryData(workspaceQuery.queryKey, stands))
      .catch((error) => setRefusal(refusalIn(error)));
  };
  const button = (ask: TieAsk, words: string) => (
    <Button size="compact-sm" variant="default" onClick={() => decide(ask)}>
      {words}
    </Button>
  );
  if (!tie || tie.state === "cut") {
    return (
      <div className={classes.detail} ref={detail}>
        <Text size="sm">
          {tie ? `${tie.path} stays as it is.` : "This theme has no document in the folder."} Tied, its
          document and its files are written at every revision.
        </Text>
        {button("tie", "Tie to the folder")}
        {refusal && <span role="alert">{refusal}</span>}
      </div>
    );
  }
  return (
    <div className={classes.detail} ref={detail}>
      <Text size="sm">
        <b>{tie.path}</b> and {counted(tie.files, "file")} of its targets
      </Text>
      {tie.message && (
        <Text size="sm" role="alert" className={classes.alarm}>
          {tie.message}
        </Text>
      )}
      {tie.state === "clash" && <ClashOfFile slug={slug} />}
      {tie.kept.length > 0 && (
        <Text size="sm">Somebody else changed {tie.kept.join(", ")}: what lies there stays.</Text>
      )}
      <div className={classes.tools}>
        {tie.state === "clash" && button("take-file", "Take the file’s")}
        {["clash", "gone", "broken"].includes(tie.state) && button("write-file", "Write the theme’s")}
        {tie.kept.length > 0 && button("overwrite", "Write them over")}
        {tie.state === "failed" && button("settle", "Try again")}
        {button("cut", "Cut")}
      </div>
      <Switch
        size="xs"
        label="files follow a change before it is saved"
        checked={tie.follows}
        onChange={(e) => decide(e.currentTarget.checked ? "follow" : "wait")}
      />
      {refusal && <span role="alert">{refusal}</span>}
    </div>
  );
}
