import { Button, Group, Modal } from "@mantine/core";
import { useEditorState } from "../editor/EditorProvider";
import { themeOf } from "../editor/selectors";
import { useDialog } from "../shell/dialogs";
import { counted } from "../ui/counted";
import { Told } from "../ui/Told";
import { GiveBack } from "./GiveBack";
import classes from "./Lineage.module.css";
import { useLineage } from "./useLineage";

/** What is decided, as it is written, with a swatch where it is a colour. */
function Decided({ value }: { value: string | null | undefined }) {
  if (!value) return null;
  return (
    <code className={classes.decided}>
      <Told value={value} />
    </code>
  );
}

/** Everything that a child decides itself, each with the way back. */
export function OwnDialog() {
  const { opened, onClose } = useDialog("own");
  const theme = useEditorState(themeOf);
  const lineage = useLineage();
  const own = lineage?.decisions ?? [];
  const parent = lineage?.parent?.name;
  return (
    <Modal opened={opened} onClose={onClose} title={`What is ${theme.name}’s own`}>
      {!parent && <p>It extends no other theme: everything is its own.</p>}
      {parent && own.length === 0 && <p>Nothing: it follows {parent} in everything.</p>}
      {parent && own.length > 0 && (
        <>
          <ul className={classes.list}>
            {own.map((decision) => (
              <li key={decision.place}>
                <span>
                  {decision.label} <Decided value={decision.value} />
                  {decision.replaces && (
                    <small>
                      {" "}
                      in place of {parent}’s <Decided value={decision.before} />
                    </small>
                  )}
                </span>
                <GiveBack decisions={[decision]}>give back</GiveBack>
              </li>
            ))}
          </ul>
          <Group justify="space-between" mt="md">
            <span className={classes.quiet}>
              {counted(own.length, "decision")}; all else follows {parent}.
            </span>
            <GiveBack decisions={own}>give back all</GiveBack>
          </Group>
        </>
      )}
      <Group justify="flex-end" mt="md">
        <Button variant="default" onClick={onClose}>
          Close
        </Button>
      </Group>
    </Modal>
  );
}
