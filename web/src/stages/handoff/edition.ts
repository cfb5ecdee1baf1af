import type { ThemeDocument } from "../../api/client";

/** Which revision files were written from, and the day on which it was saved; none of a draft. */
export interface Edition {
  revision: number | null;
  date: string | null;
}

export const DRAFT: Edition = { revision: null, date: null };

interface Saved {
  spec: ThemeDocument;
  revision: number;
  updatedAt: string;
}

export function editionOf(theme: Saved, spec: ThemeDocument): Edition {
  if (theme.spec !== spec) return DRAFT;
  return { revision: theme.revision, date: theme.updatedAt.slice(0, 10) };
}
