import { Button, Group, Modal, Table, Text } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, done, problemOf, type ThemeSummary } from "../api/client";
import { deletedQuery } from "../api/queries";
import { Swatch } from "../ui/Swatch";
import { useDialog } from "./dialogs";
import { useThemeActions } from "./useThemeActions";

const time = new Intl.DateTimeFormat(undefined, { dateStyle: "medium", timeStyle: "short" });

/** Themes that were deleted: back at a click, gone for good only from here and after a question. */
export function DeletedThemes() {
  const { opened, onClose } = useDialog("deleted");
  const { data: themes = [] } = useQuery({ ...deletedQuery, enabled: opened, staleTime: 0 });
  const client = useQueryClient();
  const actions = useThemeActions();
  const [asking, setAsking] = useState<string>();
  const [refusal, setRefusal] = useState<string>();
  const purge = async (theme: ThemeSummary) => {
    try {
      await done(api.DELETE("/api/deleted-themes/{id}", { params: { path: { id: theme.id } } }));
      setAsking(undefined);
      await client.invalidateQueries({ queryKey: deletedQuery.queryKey });
    } catch (error) {
      setRefusal(problemOf(error).detail);
    }
  };
  const bringBack = async (theme: ThemeSummary) => {
    try {
      await answer(api.POST("/api/deleted-themes/restore", { body: { id: theme.id } })).then((back) => {
        onClose();
        return actions.refresh().then(() => actions.open(back.slug));
      });
    } catch (error) {
      setRefusal(problemOf(error).detail);
    }
  };
  return (
    <Modal opened={opened} onClose={onClose} title="Deleted themes" size="lg">
      {themes.length === 0 && <Text size="sm">No theme is deleted.</Text>}
      {refusal && (
        <Text size="sm" c="danger" role="alert">
          {refusal}
        </Text>
      )}
      <Table>
        <Table.Tbody>
          {themes.map((theme) => (
            <Table.Tr key={theme.id}>
              <Table.Td>
                <Swatch colors={theme.colors} large />
              </Table.Td>
              <Table.Td>
                {theme.name}
                <Text size="xs" c="dimmed">
                  {theme.deletedAt && time.format(new Date(theme.deletedAt))} · {theme.revision} revisions
                </Text>
              </Table.Td>
              <Table.Td>
                <Group gap={6} justify="flex-end" wrap="nowrap">
                  {asking === theme.id ? (
                    <>
                      <Text size="sm">For good, with all its revisions?</Text>
                      <Button size="compact-sm" variant="default" onClick={() => setAsking(undefined)}>
                        Keep it
                      </Button>
                      <Button size="compact-sm" onClick={() => purge(theme)}>
                        Delete for good
                      </Button>
                    </>
                  ) : (
                    <>
                      <Button size="compact-sm" variant="default" onClick={() => setAsking(theme.id)}>
                        Delete for good …
                      </Button>
                      <Button size="compact-sm" onClick={() => bringBack(theme)}>
                        Bring back
                      </Button>
                    </>
                  )}
                </Group>
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Modal>
  );
}
