import { Button, Group, Modal, NativeSelect, Text } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, refusalIn, type Theme } from "../api/client";
import { familyQuery, type Member, underParent } from "../api/family";
import { themeQuery, themesQuery } from "../api/queries";
import { counted } from "../ui/counted";
import { listed } from "../ui/listed";
import { countMoved } from "../ui/moved";
import { WakeList } from "../ui/WakeList";
import type { Asked } from "./view";

/** Under another parent, or set free: what that would move is told before it is saved. */
export function ParentDialog({ member, members, onDone }: Asked) {
  const client = useQueryClient();
  const [parent, setParent] = useState(member.parent ?? "");
  const [refusal, setRefusal] = useState<string>();
  const { data: theme } = useQuery({
    queryKey: ["theme-now", member.slug, member.revision],
    queryFn: () => answer(api.GET("/api/themes/{slug}", { params: { path: { slug: member.slug } } })),
  });
  const below = belowOf(member.slug, members);
  const offered = listed(members).filter(({ theme: t }) => !below.has(t.slug));
  const chosen = parent === "" ? null : parent;
  const isChange = chosen !== (member.parent ?? null);
  const { data: outcome, error } = useQuery({
    queryKey: ["under-parent", member.slug, theme?.revision, parent],
    queryFn: () => underParent((theme as Theme).spec, chosen),
    enabled: theme !== undefined && isChange,
    retry: false,
  });
  const save = async () => {
    if (!theme || !outcome) return;
    const to = members.find((m) => m.slug === parent)?.name;
    const label = to ? `moved under ${to}` : "set free, with what it inherited written out";
    const params = { path: { slug: theme.slug }, header: { "If-Match": `"${theme.revision}"` } };
    try {
      const saved = await answer(
        api.PUT("/api/themes/{slug}", { params, body: { spec: outcome.spec, label } }),
      );
      client.setQueryData(themeQuery(saved.slug).queryKey, saved);
      void client.invalidateQueries({ queryKey: themesQuery.queryKey });
      void client.invalidateQueries({ queryKey: familyQuery.queryKey });
      onDone();
    } catch (failure) {
      setRefusal(refusalIn(failure));
    }
  };
  const told = refusal ?? (error && isChange ? refusalIn(error) : undefined);
  return (
    <Modal opened onClose={onDone} title={`The parent of ${member.name}`} size="lg">
      <NativeSelect
        label="It extends"
        data={[
          { value: "", label: member.parent ? "no other: set it free" : "no other" },
          ...offered.map(({ theme: t, depth }) => ({
            value: t.slug,
            label: `${"  ".repeat(depth)}${t.name}`,
          })),
        ]}
        value={parent}
        error={told}
        data-autofocus
        onChange={(e) => {
          setParent(e.currentTarget.value);
          setRefusal(undefined);
        }}
      />
      {isChange && outcome && !told && (
        <>
          <Text size="sm" mt="sm">
            {countMoved(outcome.wake) === 0
              ? "No value moves."
              : `${counted(countMoved(outcome.wake), "value")} would move.`}{" "}
            {outcome.wake.unreadable.length > 0 && (
              <b>{counted(outcome.wake.unreadable.length, "pair")} would become unreadable.</b>
            )}
          </Text>
          {countMoved(outcome.wake) > 0 && (
            <div style={{ maxHeight: 300, overflow: "auto" }}>
              <WakeList {...outcome.wake} />
            </div>
          )}
        </>
      )}
      <Group justify="flex-end" mt="md">
        <Button variant="default" onClick={onDone}>
          Leave it
        </Button>
        <Button disabled={!isChange || !outcome || told !== undefined} onClick={() => void save()}>
          {parent === "" && member.parent ? "Set it free" : "Move it"}
        </Button>
      </Group>
    </Modal>
  );
}

/** A theme and all that stand below it: none of them can be its parent. */
function belowOf(slug: string, members: Member[]): Set<string> {
  const found = new Set([slug]);
  for (const at of found) {
    for (const member of members) if (member.parent === at) found.add(member.slug);
  }
  return found;
}
