import { Table } from "@mantine/core";
import { Link } from "@tanstack/react-router";
import type { Below } from "../api/family";
import { counted } from "../ui/counted";
import classes from "./Lineage.module.css";

/** Theme by theme: how much moves, and what can no longer be read. */
export function BelowList({ below }: { below: Below[] }) {
  return (
    <Table>
      <Table.Thead>
        <Table.Tr>
          <Table.Th>Theme</Table.Th>
          <Table.Th>Moves</Table.Th>
          <Table.Th>Unreadable by it</Table.Th>
        </Table.Tr>
      </Table.Thead>
      <Table.Tbody>
        {below.map((one) => (
          <Table.Tr key={one.slug}>
            <Table.Td>
              <Link
                className={classes.back}
                to="/themes/$slug/$stage"
                params={{ slug: one.slug, stage: "check" }}
              >
                {one.name}
              </Link>
            </Table.Td>
            <Table.Td>{counted(one.moved, "value")}</Table.Td>
            <Table.Td>{one.broken ?? (one.unreadable.join(", ") || "nothing")}</Table.Td>
          </Table.Tr>
        ))}
      </Table.Tbody>
    </Table>
  );
}
