import { useRef, useState } from "react";
import { answer, api, type ThemeDocument } from "../api/client";
import { firstOf, nameOf, type PictureView } from "../api/picture";
import { takenOf } from "../stages/brand/candidatesOf";

/** A child to be, with the colours of a logo. */
export interface ChildDraft {
  key: string;
  name: string;
  file: string;
  picture: PictureView;
  /** Codes of the colours it takes, the primary one first. */
  taken: string[];
  /** Why it could not be made. */
  refusal?: string;
}

/** Intents that the colours of a logo play, in the order in which they are ticked. */
const PLAYED = ["primary", "secondary", "accent"];

/** Children to be made of logos, one of each. */
export function useChildDrafts() {
  const [drafts, setDrafts] = useState<ChildDraft[]>([]);
  const added = useRef(0);
  return {
    drafts,
    add: (file: string, picture: PictureView) => {
      added.current += 1;
      // One logo may come twice.
      const key = `${added.current} ${picture.id}`;
      const draft = { key, name: nameOf(file), file, picture, taken: firstOf(picture) };
      setDrafts((all) => [...all, draft]);
    },
    change: (key: string, to: Partial<ChildDraft>) =>
      setDrafts((all) => all.map((one) => (one.key === key ? { ...one, ...to } : one))),
    remove: (key: string) => setDrafts((all) => all.filter((one) => one.key !== key)),
  };
}

/** The document of a child whose first brand colours are its own; the core finds them names and slugs. */
export async function childDocument(parent: string, draft: ChildDraft): Promise<ThemeDocument> {
  const bare: ThemeDocument = { format: 1, name: draft.name.trim(), extends: parent };
  const colors = takenOf(draft.file, draft.picture, draft.taken);
  const change = { do: "add-brand" as const, colors };
  const { spec } = await answer(api.POST("/api/change", { body: { spec: bare, change } }));
  const own = (spec.brand ?? []).map(({ slug }) => ({ scale: slug ?? "" }));
  const played = own.slice(0, PLAYED.length).map((choice, at) => [PLAYED[at], choice]);
  return { ...spec, intents: { ...Object.fromEntries(played), ...spec.intents } };
}
