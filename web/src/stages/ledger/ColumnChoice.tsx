import { Button, Checkbox, Stack } from "@mantine/core";
import { useRef, useState } from "react";
import { opens, Panel } from "../../ui/Panel";
import { COLUMNS, type Column } from "./columns";

interface Props {
  shown: Column[];
  onToggle: (id: string) => void;
}

/** Which columns the ledger shows. */
export function ColumnChoice({ shown, onToggle }: Props) {
  const button = useRef<HTMLButtonElement>(null);
  const [opened, setOpened] = useState(false);
  return (
    <>
      <Button ref={button} size="xs" variant="default" onClick={() => setOpened(!opened)} {...opens(opened)}>
        Columns
      </Button>
      {opened && (
        <Panel
          at={button.current}
          label="Columns"
          width={170}
          position="bottom-end"
          onClose={() => setOpened(false)}
        >
          <Stack gap={8}>
            {COLUMNS.map(({ id, name }) => (
              <Checkbox
                key={id}
                size="xs"
                label={name}
                checked={shown.some((c) => c.id === id)}
                onChange={() => onToggle(id)}
              />
            ))}
          </Stack>
        </Panel>
      )}
    </>
  );
}
