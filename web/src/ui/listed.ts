/** What is needed to put a theme in its place. */
interface Placed {
  slug: string;
  name: string;
  parent?: string | null;
}

export interface Listed<T extends Placed> {
  theme: T;
  /** How many parents stand above it. */
  depth: number;
  /** Told beside the name, where two themes are called the same. */
  slug: string | undefined;
}

/** Themes with children under their parents; those of one name are told apart by their slugs. */
export function listed<T extends Placed>(themes: T[]): Listed<T>[] {
  const names = new Map<string, number>();
  for (const { name } of themes) names.set(name, (names.get(name) ?? 0) + 1);
  const slugs = new Set(themes.map((t) => t.slug));
  const out: Listed<T>[] = [];
  const add = (theme: T, depth: number) => {
    out.push({ theme, depth, slug: (names.get(theme.name) ?? 0) > 1 ? theme.slug : undefined });
    for (const child of themes) if (child.parent === theme.slug) add(child, depth + 1);
  };
  for (const theme of themes) if (!theme.parent || !slugs.has(theme.parent)) add(theme, 0);
  return out;
}
