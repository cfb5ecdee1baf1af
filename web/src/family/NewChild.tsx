import { Button, FileButton, Group, Modal, TextInput } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { type FormEvent, useState } from "react";
import { answer, api, refusalIn, type ThemeDocument } from "../api/client";
import { familyQuery } from "../api/family";
import { themeQuery, themesQuery } from "../api/queries";
import { TickOrder } from "../shell/PictureColors";
import { usePicture } from "../stages/brand/sources/usePicture";
import { tell } from "../ui/notices";
import { Reading } from "../ui/Reading";
import { ChildOfLogo } from "./ChildOfLogo";
import classes from "./Family.module.css";
import { childDocument, useChildDrafts } from "./useChildDrafts";
import type { Asked } from "./view";

/** A theme that follows another in everything, until something in it is touched; or one for each logo. */
export function NewChild({ member, onDone }: Asked) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [name, setName] = useState(`${member.name} child`);
  const [refusal, setRefusal] = useState<string>();
  const [busy, setBusy] = useState(false);
  const { drafts, add, change, remove } = useChildDrafts();
  const pictures = usePicture(add);
  const ready = drafts.length > 0 ? drafts.every((d) => d.name.trim() && d.taken.length > 0) : name.trim();
  const make = async (spec: ThemeDocument) => {
    const made = await answer(api.POST("/api/themes", { body: { spec } }));
    client.setQueryData(themeQuery(made.slug).queryKey, made);
    return made.slug;
  };
  const open = (slug: string) => navigate({ to: "/themes/$slug/$stage", params: { slug, stage: "brand" } });
  /** What could not be made stays in the dialog, with the reason at its name. */
  const makeOfLogos = async () => {
    const made: string[] = [];
    for (const draft of drafts) {
      try {
        made.push(await make(await childDocument(member.slug, draft)));
        remove(draft.key);
      } catch (error) {
        change(draft.key, { refusal: refusalIn(error) });
      }
    }
    return made;
  };
  const create = async () => {
    const of = drafts.length;
    const made =
      of > 0 ? await makeOfLogos() : [await make({ format: 1, name: name.trim(), extends: member.slug })];
    void client.invalidateQueries({ queryKey: themesQuery.queryKey });
    void client.invalidateQueries({ queryKey: familyQuery.queryKey });
    if (made.length < of) return;
    onDone();
    const [first] = made;
    if (first && made.length === 1) await open(first);
    else void tell({ message: `${made.length} new children of ${member.name}` });
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    create()
      .catch((error) => setRefusal(refusalIn(error)))
      .finally(() => setBusy(false));
  };
  return (
    <Modal
      opened
      onClose={onDone}
      title={
        drafts.length > 1 ? `${drafts.length} new children of ${member.name}` : `New child of ${member.name}`
      }
      size={drafts.length > 0 ? "lg" : "md"}
    >
      <form onSubmit={submit}>
        {drafts.length === 0 && (
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
        )}
        {drafts.length > 0 && (
          <ul className={classes.drafts} aria-label="Children to make">
            {drafts.map((draft) => (
              <ChildOfLogo
                key={draft.key}
                draft={draft}
                onChange={(to) => change(draft.key, { ...to, refusal: undefined })}
                onRemove={() => remove(draft.key)}
              />
            ))}
          </ul>
        )}
        {drafts.length > 0 && <TickOrder none={drafts.some((draft) => draft.taken.length === 0)} />}
        {pictures.refusal && (
          <p role="alert" className={classes.refusal}>
            {pictures.refusal}
          </p>
        )}
        <Group justify="space-between" mt="md">
          <Group gap="xs">
            <FileButton multiple accept="image/*,.svg" onChange={(files) => void pictures.read(files)}>
              {(props) => (
                <Button variant="default" {...props}>
                  {drafts.length > 0 ? "More logos …" : "With the colours of a logo …"}
                </Button>
              )}
            </FileButton>
            {pictures.reading && <Reading words={pictures.reading.name} onStop={pictures.reading.stop} />}
          </Group>
          <Button type="submit" disabled={!ready || busy}>
            {drafts.length > 1 ? `Create ${drafts.length}` : "Create"}
          </Button>
        </Group>
        {drafts.length === 0 && <p className={classes.several}>Several logos make a child each.</p>}
      </form>
    </Modal>
  );
}
