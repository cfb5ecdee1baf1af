import { Button, Group, Modal, TextInput } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { type FormEvent, useState } from "react";
import { answer, api, refusalIn } from "../api/client";
import { themeQuery, themesQuery } from "../api/queries";
import type { Asked } from "./view";

/** A theme that follows another in everything, until something in it is touched. */
export function NewChild({ member, onDone }: Asked) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [name, setName] = useState(`${member.name} child`);
  const [refusal, setRefusal] = useState<string>();
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    try {
      const spec = { format: 1, name: name.trim(), extends: member.slug };
      const made = await answer(api.POST("/api/themes", { body: { spec } }));
      client.setQueryData(themeQuery(made.slug).queryKey, made);
      void client.invalidateQueries({ queryKey: themesQuery.queryKey });
      onDone();
      await navigate({ to: "/themes/$slug/$stage", params: { slug: made.slug, stage: "brand" } });
    } catch (error) {
      setRefusal(refusalIn(error));
    }
  };
  return (
    <Modal opened onClose={onDone} title={`New child of ${member.name}`}>
      <form onSubmit={submit}>
        <TextInput
          label="Name"
          description="It has everything from its parent until you change it there."
          value={name}
          maxLength={200}
          error={refusal}
          data-autofocus
          onFocus={(e) => e.currentTarget.select()}
          onChange={(e) => setName(e.currentTarget.value)}
        />
        <Group justify="flex-end" mt="md">
          <Button type="submit" disabled={name.trim() === ""}>
            Create
          </Button>
        </Group>
      </form>
    </Modal>
  );
}
