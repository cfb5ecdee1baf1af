import { Kbd, Modal } from "@mantine/core";
import { Fragment } from "react";
import { STAGES } from "../stages";
import { KEYS } from "../stages/keys";
import { useDialog } from "./dialogs";
import classes from "./KeysSheet.module.css";
import type { Action } from "./useActions";

/** Every key and what it does, from the lists of actions and stages. */
export function KeysSheet({ actions }: { actions: Action[] }) {
  const dialog = useDialog("keys");
  return (
    <Modal {...dialog} title="Keys" size="lg">
      <div className={classes.sheet}>
        <Group
          title="Everywhere"
          rows={actions.flatMap((a) => (a.keys ? [{ keys: a.keys, does: a.name }] : []))}
        />
        {STAGES.map((stage) => (
          <Group key={stage.id} title={stage.name} rows={KEYS[stage.id] ?? []} />
        ))}
        <Group
          title="Proof"
          rows={[
            { keys: "← →", does: "on the divide: give light or dark more room" },
            { keys: "Tab", does: "walk what can be acted on; skip links lead past the rest" },
          ]}
        />
      </div>
    </Modal>
  );
}

function Group({ title, rows }: { title: string; rows: { keys: string; does: string }[] }) {
  if (rows.length === 0) return null;
  return (
    <section aria-label={title}>
      <h3>{title}</h3>
      <dl>
        {rows.map(({ keys, does }) => (
          <Fragment key={`${keys} ${does}`}>
            <dt>
              {keys.split(" ").map((key) => (
                <Kbd key={key}>{key}</Kbd>
              ))}
            </dt>
            <dd>{does}</dd>
          </Fragment>
        ))}
      </dl>
    </section>
  );
}
