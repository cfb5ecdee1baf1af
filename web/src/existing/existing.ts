import { create } from "zustand";
import { persist } from "zustand/middleware";
import type { SourceFile } from "../api/inventory";

/** What somebody brought to be recoloured, and how. */
export interface Existing {
  files: SourceFile[];
  pictures: File[];
  /** Choices by hand: a new colour or `{path}` of a token; null leaves a colour. */
  map: Record<string, string | null>;
  /** The theme whose colours the files have, as `slug` or `slug@revision`; none where the map is by hand. */
  from: string;
  kin: boolean;
  /** Colours that comments mention are changed too. */
  comments: boolean;
  toVariables: boolean;
  /** The colour whose line is looked for. */
  at?: string | undefined;
}

const NOTHING: Existing = {
  files: [],
  pictures: [],
  map: {},
  from: "",
  kin: true,
  comments: false,
  toVariables: false,
};

interface All {
  /** By the identity of the theme. */
  all: Record<string, Existing>;
}

/** What lies here for each theme. The map outlives a reload; files stay while the window does. */
const useAll = create<All>()(
  persist((): All => ({ all: {} }), {
    name: "rhodon-existing",
    version: 1,
    partialize: ({ all }) => ({
      all: Object.fromEntries(
        Object.entries(all).map(([id, one]) => [id, { ...one, files: [], pictures: [], at: undefined }]),
      ),
    }),
  }),
);

export const useExisting = (theme: string) => useAll((s) => s.all[theme] ?? NOTHING);

export const alterExisting = (theme: string, to: Partial<Existing>) =>
  useAll.setState(({ all }) => ({ all: { ...all, [theme]: { ...(all[theme] ?? NOTHING), ...to } } }));

/** The theme and revision that a choice names. */
export function fromOf(text: string): { theme: string; revision: number | null } | null {
  if (text === "") return null;
  const [theme = "", revision] = text.split("@");
  return { theme, revision: revision ? Number(revision) : null };
}
