import { Button, Stack } from "@mantine/core";
import { Panel, usePanel } from "../../ui/Panel";
import { Tick } from "../../ui/Tick";
import { COLUMNS, type Column } from "./columns";

interface Props {
  shown: Column[];
  onToggle: (id: string) => void;
}

/** Which columns the ledger shows. */
export function ColumnChoice({ shown, onToggle }: Props) {
  const { opened, toggle, panel } = usePanel();
  return (
    <>
      <Button size="xs" variant="default" {...toggle}>
        Columns
      </Button>
      {opened && (
        <Panel {...panel} label="Columns" width={170} position="bottom-end">
          <Stack gap={8}>
            {COLUMNS.map(({ id, name }) => (
              <Tick
                key={id}
                label={name}
                checked={shown.some((c) => c.id === id)}
                onTick={() => onToggle(id)}
              />
            ))}
          </Stack>
        </Panel>
      )}
    </>
  );
}
