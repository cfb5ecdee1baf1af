export type ThemeSlug = @slugs;
export type PrimarySlug = @primary;
export type SurfaceSlug = @surface;

export interface ThemeChoice {
  theme?: ThemeSlug | "";
  mode?: "light" | "dark" | "";
  primary?: PrimarySlug | "";
  surface?: SurfaceSlug | "";
}

/** Slugs and names of the themes, the one that holds without a choice first. */
export const themes: [ThemeSlug, string][];

/** What there is to choose of each kind, in the same way. */
export const choices: {
  theme: [ThemeSlug, string][];
  mode: ["light" | "dark"][];
  primary: [PrimarySlug, string][];
  surface: [SurfaceSlug, string][];
};

/** What is chosen, as it is remembered. */
export function current(): ThemeChoice;

/** Changes the choice, remembers and announces it; "" gives a kind back to what holds without it. */
export function choose(change: ThemeChoice): void;

declare global {
  interface WindowEventMap {
    themechange: CustomEvent<ThemeChoice>;
  }
}
