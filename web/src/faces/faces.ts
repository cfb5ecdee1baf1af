/** A kind of face, by what one looks for. */
export type FaceKind = "sans" | "rounded" | "serif" | "slab" | "display" | "mono" | "system";

export interface Face {
  /** What it is called. */
  name: string;
  kind: FaceKind;
  /** Families in the order in which they are tried. */
  families: string[];
  /** Lightest and boldest weight. */
  weights: [number, number];
  scripts: string[];
  /** The package that brings its files; none for what systems have. */
  package?: string;
  /** The style sheet of a service that brings them. */
  sheet?: string;
}

/** What stands behind a face of a kind. */
const BEHIND: Record<FaceKind, string[]> = {
  sans: ["system-ui", "sans-serif"],
  rounded: ["system-ui", "sans-serif"],
  serif: ["Georgia", "serif"],
  slab: ["Rockwell", "Georgia", "serif"],
  display: ["Georgia", "serif"],
  mono: ["ui-monospace", "monospace"],
  system: [],
};

/** A family and what stands behind it. */
export const withFallbacks = (family: string, kind: FaceKind) => [family, ...BEHIND[kind]];

const ships = (
  id: string,
  name: string,
  kind: FaceKind,
  weights: [number, number],
  scripts: string,
  behind = BEHIND[kind],
): Face => ({
  name,
  kind,
  families: [`${name} Variable`, ...behind],
  weights,
  scripts: scripts.split(" "),
  package: `@fontsource-variable/${id}`,
});

const stack = (name: string, families: string[]): Face => ({
  name,
  kind: "system",
  families,
  weights: [400, 700],
  scripts: ["latin", "greek", "cyrillic"],
});

/** Open faces that ship with Rhodon, and stacks of what systems have. A new one is one line. */
export const FACES: Face[] = [
  ships("figtree", "Figtree", "sans", [300, 900], "latin"),
  ships("hanken-grotesk", "Hanken Grotesk", "sans", [100, 900], "latin vietnamese"),
  ships("instrument-sans", "Instrument Sans", "sans", [400, 700], "latin"),
  ships("schibsted-grotesk", "Schibsted Grotesk", "sans", [400, 900], "latin"),
  ships("nunito", "Nunito", "rounded", [200, 1000], "latin cyrillic vietnamese"),
  ships("archivo", "Archivo", "sans", [100, 900], "latin vietnamese"),
  ships("bricolage-grotesque", "Bricolage Grotesque", "display", [200, 800], "latin vietnamese", BEHIND.sans),
  ships("source-serif-4", "Source Serif 4", "serif", [200, 900], "latin greek cyrillic vietnamese"),
  ships("newsreader", "Newsreader", "serif", [200, 800], "latin vietnamese"),
  ships("literata", "Literata", "serif", [200, 900], "latin greek cyrillic vietnamese"),
  ships("fraunces", "Fraunces", "display", [100, 900], "latin vietnamese"),
  ships("roboto-slab", "Roboto Slab", "slab", [100, 900], "latin greek cyrillic vietnamese"),
  ships("spline-sans-mono", "Spline Sans Mono", "mono", [300, 700], "latin"),
  ships("jetbrains-mono", "JetBrains Mono", "mono", [100, 800], "latin greek cyrillic vietnamese"),
  stack("The system's own", ["system-ui", "Segoe UI", "Roboto", "sans-serif"]),
  stack("Old-style", ["Iowan Old Style", "Palatino Linotype", "Georgia", "serif"]),
  stack("Transitional", ["Charter", "Cambria", "Georgia", "serif"]),
  stack("Geometric", ["Avenir", "Century Gothic", "Montserrat", "sans-serif"]),
  stack("The system's monospace", ["ui-monospace", "Consolas", "Liberation Mono", "monospace"]),
];

export const FACE_KINDS = [...new Set(FACES.map((face) => face.kind))];

const asCss = (family: string) => (/^[a-z-]+$/i.test(family) ? family : `"${family}"`);

/** A list of families as CSS takes it: names of several words are quoted. */
export const cssFamilies = (families: string[]) => families.map(asCss).join(", ");

/** The face that a list of families begins with. */
export const faceOf = (families: string[] | null | undefined, faces = FACES) =>
  faces.find((face) => face.families[0] === families?.[0]);

/** Faces of a kind that have a weight and a script and whose name holds a word. */
export function facesLike(
  like: { kind: string; weight: number; script: string; word: string },
  faces = FACES,
): Face[] {
  const word = like.word.trim().toLowerCase();
  return faces.filter(
    (face) =>
      (like.kind === "" || face.kind === like.kind) &&
      face.weights[0] <= like.weight &&
      face.weights[1] >= like.weight &&
      (like.script === "" || face.scripts.includes(like.script)) &&
      face.name.toLowerCase().includes(word),
  );
}

/** The faces that a theme names, by what they are for, and the style sheets that bring them. */
interface Named {
  body?: string[] | null;
  heading?: string[] | null;
  mono?: string[] | null;
  import?: string | string[] | null;
}

/** Style sheets as a list, which a document may hold as a single one. */
export const sheetList = (sheets: Named["import"]): string[] => (sheets ? [sheets].flat() : []);

/** Style sheets as a document holds them. */
export const asSheets = (sheets: string[]) => (sheets.length > 1 ? sheets : (sheets[0] ?? null));

/**
 * The style sheets that a theme's faces need: those of the faces that it names, and what somebody gave
 * besides. A sheet of a face that is no longer named goes.
 */
export function sheetsOf(theme: Named, faces: Face[]): string[] {
  const named = [theme.body, theme.heading, theme.mono].map((families) => faceOf(families, faces)?.sheet);
  const own = sheetList(theme.import).filter((sheet) => faces.every((face) => face.sheet !== sheet));
  return [...new Set([...own, ...named.filter((sheet) => sheet !== undefined)])];
}
