import { UnstyledButton } from "@mantine/core";
import type { Decision } from "../api/family";
import { useEditor } from "../editor/EditorProvider";
import classes from "./Lineage.module.css";
import { useLineage } from "./useLineage";

interface Props {
  decisions: Decision[];
  /** What is on the button, where it is not the usual words. */
  children?: React.ReactNode;
}

/** Gives decisions of a child back: what its parent has holds again, or what is derived. */
export function GiveBack({ decisions, children }: Props) {
  const editor = useEditor();
  const parent = useLineage()?.parent;
  if (!parent || decisions.length === 0) return null;
  const [first] = decisions;
  const what = decisions.length === 1 ? first?.label : `${decisions.length} decisions`;
  return (
    <UnstyledButton
      className={classes.back}
      title={`${what}: back to what it is in ${parent.name}`}
      onClick={() =>
        void editor.change(
          { do: "give-back", places: decisions.map((d) => d.place) },
          `${what} given back to ${parent.name}`,
        )
      }
    >
      {children ?? `give back to ${parent.name}`}
    </UnstyledButton>
  );
}
