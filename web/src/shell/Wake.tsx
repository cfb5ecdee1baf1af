import { Modal, Table } from "@mantine/core";
import { useState } from "react";
import type { Wake as WakeData } from "../api/client";
import { useTheEditor } from "../editor/EditorContext";
import classes from "./Frame.module.css";

/** The last change, what it moved, and whether anything became unreadable. */
export function Wake() {
  const { theme, preview, problem } = useTheEditor();
  const [open, setOpen] = useState(false);
  const wake = preview?.wake;
  if (problem) {
    return (
      <footer className={classes.wake}>
        <span className={classes.alarm} role="alert">
          {problem.detail}
        </span>
      </footer>
    );
  }
  const failed = preview?.derived.pairs.filter((p) => !p.pass).length ?? 0;
  return (
    <footer className={classes.wake}>
      <b>{theme.label}</b>
      {wake && wake.changes.length > 0 && (
        <>
          <span>·</span>
          <button type="button" className={classes.wakeButton} onClick={() => setOpen(true)}>
            {wake.changes.length} values moved
          </button>
        </>
      )}
      <span>·</span>
      {failed === 0 ? (
        <span>every pair readable</span>
      ) : (
        <span className={classes.alarm}>{failed} pairs below their limit</span>
      )}
      <Modal opened={open} onClose={() => setOpen(false)} title="What moved" size="lg">
        {wake && <WakeTable wake={wake} />}
      </Modal>
    </footer>
  );
}

function WakeTable({ wake }: { wake: WakeData }) {
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
        {wake.changes.map((c) => (
          <Table.Tr key={`${c.path} ${c.mode}`}>
            <Table.Td>{c.path}</Table.Td>
            <Table.Td>{c.mode ?? "both"}</Table.Td>
            <Table.Td>{c.before ?? "—"}</Table.Td>
            <Table.Td>{c.after ?? "—"}</Table.Td>
          </Table.Tr>
        ))}
      </Table.Tbody>
    </Table>
  );
}
