import { Button, Checkbox, Popover, Stack } from "@mantine/core";
import { COLUMNS, type Column } from "./columns";

interface Props {
  shown: Column[];
  onToggle: (id: string) => void;
}

/** Which columns the ledger shows. */
export function ColumnChoice({ shown, onToggle }: Props) {
  return (
    <Popover position="bottom-end" shadow="sm" transitionProps={{ duration: 0 }} trapFocus>
      <Popover.Target>
        <Button size="xs" variant="default">
          Columns
        </Button>
      </Popover.Target>
      <Popover.Dropdown aria-label="Columns">
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
      </Popover.Dropdown>
    </Popover>
  );
}
