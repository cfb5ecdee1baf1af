import { useState } from "react";
import { answer, api, type ThemeDocument } from "../api/client";
import { firstOf, nameOf, type PictureView } from "../api/picture";
import { candidatesOf } from "../stages/brand/candidatesOf";

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
  return {
    drafts,
    add: (file: string, picture: PictureView) =>
      setDrafts((all) => [
        ...all,
        { key: `${all.length} ${picture.id}`, name: nameOf(file), file, picture, taken: firstOf(picture) },
      ]),
    change: (key: string, to: Partial<ChildDraft>) =>
      setDrafts((all) => all.map((one) => (one.key === key ? { ...one, ...to } : one))),
    remove: (key: string) => setDrafts((all) => all.filter((one) => one.key !== key)),
  };
}

/** The document of a child whose first brand colours are its own; the core finds them names and slugs. */
export async function childDocument(parent: string, draft: ChildDraft): Promise<ThemeDocument> {
  const bare: ThemeDocument = { format: 1, name: draft.name.trim(), extends: parent };
  const found = candidatesOf(draft.file, draft.picture);
  const colors = draft.taken.flatMap((code) => found.find(({ color }) => color === code) ?? []);
  const change = { do: "add-brand" as const, colors };
  const { spec } = await answer(api.POST("/api/change", { body: { spec: bare, change } }));
  const own = (spec.brand ?? []).map(({ slug }) => ({ scale: slug ?? "" }));
  const played = own.slice(0, PLAYED.length).map((choice, at) => [PLAYED[at], choice]);
  return { ...spec, intents: { ...Object.fromEntries(played), ...spec.intents } };
}
