import { Table } from "@mantine/core";
import type { Wake } from "../api/client";
import { isColor, Swatch } from "./Swatch";

/** Tokens before and after. */
export function WakeList({ changes }: { changes: Wake["changes"] }) {
  return (
    <Table stickyHeader>
      <Table.Thead>
        <Table.Tr>
          <Table.Th>Token</Table.Th>
          <Table.Th>Mode</Table.Th>
          <Table.Th>Before</Table.Th>
          <Table.Th>After</Table.Th>
        </Table.Tr>
      </Table.Thead>
      <Table.Tbody>
        {changes.map((c) => (
          <Table.Tr key={`${c.path} ${c.mode}`}>
            <Table.Td>{c.path}</Table.Td>
            <Table.Td>{c.mode ?? "both"}</Table.Td>
            <Table.Td>
              <Told value={c.before} />
            </Table.Td>
            <Table.Td>
              <Told value={c.after} />
            </Table.Td>
          </Table.Tr>
        ))}
      </Table.Tbody>
    </Table>
  );
}

function Told({ value }: { value: string | null | undefined }) {
  return (
    <>
      {isColor(value) && <Swatch colors={[value]} />} {value ?? "—"}
    </>
  );
}
