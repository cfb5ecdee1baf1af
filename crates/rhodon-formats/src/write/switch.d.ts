export type ThemeSlug = @slugs;

export interface ThemeChoice {
  theme?: ThemeSlug | "";
  mode?: "light" | "dark" | "";
  primary?: ThemeSlug | "";
  surface?: ThemeSlug | "";
}

/** Slugs and names of the themes, the one that holds without a choice first. */
export const themes: [ThemeSlug, string][];

/** What is chosen, as it is remembered. */
export function current(): ThemeChoice;

/** Changes the choice, remembers and announces it; "" gives a kind back to what holds without it. */
export function choose(change: ThemeChoice): void;

declare global {
  interface WindowEventMap {
    themechange: CustomEvent<ThemeChoice>;
  }
}
