import { Button, Group, Text } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { answer, api, problemOf } from "../api/client";
import { deletedQuery, themeQuery, themesQuery } from "../api/queries";
import { tell, untell } from "../ui/notices";
import { forgetDeletion, rememberDeletion } from "./deletion";

/** Duplicate, delete with a way back, for any theme. */
export function useThemeActions() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const refresh = () => client.invalidateQueries({ queryKey: themesQuery.queryKey });
  /** Opens a theme: at a source of its brand, or where the work usually goes on. */
  const open = (slug: string, source?: string) =>
    navigate({
      to: "/themes/$slug/$stage",
      params: { slug, stage: source ? "brand" : "stave" },
      ...(source && { search: { source } }),
    });

  const refused = (error: unknown) => tell({ message: problemOf(error).detail });

  const duplicate = async (slug: string) => {
    try {
      const made = await answer(api.POST("/api/themes/{slug}/duplicate", { params: { path: { slug } } }));
      client.setQueryData(themeQuery(made.slug).queryKey, made);
      await refresh();
      await open(made.slug);
    } catch (error) {
      refused(error);
    }
  };

  const restore = async (id: string, notice: string) => {
    try {
      const back = await answer(api.POST("/api/deleted-themes/restore", { body: { id } }));
      forgetDeletion();
      void untell(notice);
      void client.invalidateQueries({ queryKey: deletedQuery.queryKey });
      await refresh();
      await open(back.slug);
    } catch (error) {
      refused(error);
    }
  };

  const remove = async (slug: string, children?: "delete" | "free", then = () => navigate({ to: "/" })) => {
    try {
      const params = { path: { slug }, query: children ? { children } : {} };
      const gone = await answer(api.DELETE("/api/themes/{slug}", { params }));
      client.removeQueries({ queryKey: themeQuery(slug).queryKey });
      await refresh();
      const notice = `deleted-${gone.id}`;
      rememberDeletion(gone.id, () => restore(gone.id, notice));
      void tell({
        id: notice,
        autoClose: 20000,
        message: (
          <Group justify="space-between" wrap="nowrap">
            <Text size="sm">{gone.name} deleted</Text>
            <Button size="compact-sm" variant="default" onClick={() => restore(gone.id, notice)}>
              Bring back
            </Button>
          </Group>
        ),
      });
      await then();
    } catch (error) {
      refused(error);
    }
  };

  return {
    duplicate: (slug: string) => void duplicate(slug),
    remove: (...gone: Parameters<typeof remove>) => void remove(...gone),
    open,
    refresh,
  };
}
