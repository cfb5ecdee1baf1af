import { del, get, set } from "idb-keyval";
import { useMemo } from "react";
import { create } from "zustand";
import { type PersistStorage, persist } from "zustand/middleware";
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
  /** Faces with what takes their place, as somebody typed it. */
  faces: Record<string, string | null>;
  /** The colour whose line is looked for. */
  at?: string | undefined;
}

const NO_CHOICES: Omit<Existing, "files" | "pictures"> = {
  map: {},
  from: "",
  kin: true,
  comments: false,
  toVariables: false,
  faces: {},
};

const NOTHING: Existing = { files: [], pictures: [], ...NO_CHOICES };

/** By the identity of the theme. */
interface All<T> {
  all: Record<string, T>;
}

type Brought = Pick<Existing, "files" | "pictures">;
type Choices = Omit<Existing, keyof Brought>;

/** How many themes keep their files. */
const MOST = 8;

/** The choices made for each theme. */
const useChoices = create<All<Choices>>()(
  persist((): All<Choices> => ({ all: {} }), {
    name: "rhodon-existing",
    version: 1,
    partialize: ({ all }) => ({
      all: Object.fromEntries(Object.entries(all).map(([id, one]) => [id, { ...one, at: undefined }])),
    }),
  }),
);

const database: PersistStorage<All<Brought>> = {
  getItem: async (name) => (await get(name)) ?? null,
  setItem: (name, value) => set(name, value),
  removeItem: (name) => del(name),
};

/** The files that lie here for each theme, in the browser's own database: they may be large. */
const useBroughtFiles = create<All<Brought>>()(
  persist((): All<Brought> => ({ all: {} }), {
    name: "rhodon-brought",
    version: 1,
    // Without a database they stay while the window does.
    ...(typeof indexedDB === "undefined" ? {} : { storage: database }),
    // What was brought before the database answered stands.
    merge: (kept, now) => ({ all: { ...(kept as All<Brought>).all, ...now.all } }),
  }),
);

/** What lies here for a theme. It outlives a reload. */
export function useExisting(theme: string): Existing {
  const choices = useChoices((s) => s.all[theme]);
  const brought = useBroughtFiles((s) => s.all[theme]);
  return useMemo(() => ({ ...NOTHING, ...choices, ...brought }), [choices, brought]);
}

export function alterExisting(theme: string, { files, pictures, ...choices }: Partial<Existing>) {
  if (Object.keys(choices).length > 0)
    useChoices.setState(({ all }) => ({
      all: { ...all, [theme]: { ...NO_CHOICES, ...all[theme], ...choices } },
    }));
  if (files || pictures)
    useBroughtFiles.setState(({ all: { [theme]: before, ...others } }) => ({
      all: {
        ...Object.fromEntries(Object.entries(others).slice(1 - MOST)),
        [theme]: {
          files: files ?? before?.files ?? [],
          pictures: pictures ?? before?.pictures ?? [],
        },
      },
    }));
}

/** The theme and revision that a choice names. */
export function fromOf(text: string): { theme: string; revision: number | null } | null {
  if (text === "") return null;
  const [theme = "", revision] = text.split("@");
  return { theme, revision: revision ? Number(revision) : null };
}
