import { Button, FileButton, Group, Modal, TextInput } from "@mantine/core";
import { useNavigate } from "@tanstack/react-router";
import { type FormEvent, useState } from "react";
import { refusalIn } from "../api/client";
import { TickOrder } from "../shell/PictureColors";
import { usePicture } from "../stages/brand/sources/usePicture";
import { tell } from "../ui/notices";
import { Reading } from "../ui/Reading";
import { ChildOfLogo } from "./ChildOfLogo";
import classes from "./Family.module.css";
import { useChildDrafts } from "./useChildDrafts";
import { useChildren } from "./useChildren";
import type { Asked } from "./view";

/** A theme that follows another in everything, until something in it is touched; or one for each logo. */
export function NewChild({ member, onDone }: Asked) {
  const navigate = useNavigate();
  const [name, setName] = useState(`${member.name} child`);
  const [refusal, setRefusal] = useState<string>();
  const { drafts, add, change, remove } = useChildDrafts();
  const { busy, makeBare, makeOfLogos } = useChildren(member.slug);
  const pictures = usePicture(add);
  const count = drafts.length;
  const ready = count > 0 ? drafts.every((d) => d.name.trim() && d.taken.length > 0) : name.trim();
  const create = async () => {
    // What could not be made stays in the dialog, with the reason at its name.
    const made =
      count > 0
        ? await makeOfLogos(drafts, remove, (key, refusal) => change(key, { refusal }))
        : await makeBare(name);
    if (made.length < count) return;
    onDone();
    const [slug = "", ...others] = made;
    if (others.length > 0) void tell({ message: `${made.length} new children of ${member.name}` });
    else await navigate({ to: "/themes/$slug/$stage", params: { slug, stage: "brand" } });
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    create().catch((error) => setRefusal(refusalIn(error)));
  };
  return (
    <Modal
      opened
      onClose={onDone}
      title={count > 1 ? `${count} new children of ${member.name}` : `New child of ${member.name}`}
      size={count > 0 ? "lg" : "md"}
    >
      <form onSubmit={submit}>
        {count === 0 && (
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
        {count > 0 && (
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
        {count > 0 && <TickOrder none={drafts.some((draft) => draft.taken.length === 0)} />}
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
                  {count > 0 ? "More logos …" : "With the colours of a logo …"}
                </Button>
              )}
            </FileButton>
            {pictures.reading && <Reading words={pictures.reading.name} onStop={pictures.reading.stop} />}
          </Group>
          <Button type="submit" disabled={!ready || busy}>
            {count > 1 ? `Create ${count}` : "Create"}
          </Button>
        </Group>
        {count === 0 && <p className={classes.several}>Several logos make a child each.</p>}
      </form>
    </Modal>
  );
}
