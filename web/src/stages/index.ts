import type { FunctionComponent } from "react";
import type { Derived } from "../api/client";
import { packed } from "../editor/edits";
import type { EditorState } from "../editor/state";
import { counted } from "../ui/counted";
import type { View } from "../view";
import { SOURCES } from "./brand/sources";
import { SIDES } from "./handoff/sides";

/** A part of a stage that is looked for by itself. */
interface Part {
  name: string;
  words: string;
  /** How the address names it. */
  view?: Partial<View>;
  /** What the control in the stage is called that takes the keys. */
  at?: string;
}

/** One station of the work. Rail, router, finder and sheet of keys ask this list; what keys do in each: `keys.ts`. */
export interface Stage {
  /** Its word in the address. */
  id: string;
  name: string;
  /** The key that leads to it. */
  hotkey: string;
  /** What it is for, in a sentence. */
  help: string;
  /** What else people look for it by. */
  words?: string;
  /** Parts of it that are looked for by themselves, and how the address names them. */
  parts?: Part[];
  /** How it stands, in a word or number. */
  stands: (state: EditorState) => string;
  /** More of how it stands, a line each. */
  tells?: (state: EditorState) => string;
  /** Its colours as small strips, one under the other. */
  strips?: (derived: Derived) => string[][];
  load: () => Promise<{ default: FunctionComponent }>;
}

/** The most names that the rail tells. */
const MOST_TOLD = 5;

const baseOf = ({ steps, base }: Derived["scales"][number]) => steps[base]?.hex ?? "";

/** Every stage, in the order of the work. */
export const STAGES: Stage[] = [
  {
    id: "brand",
    name: "Brand",
    hotkey: "1",
    help: "Where colours come from, who plays which part; type and shape.",
    words:
      "colors primary secondary accent danger intents tuner tray rename delete remove reorder color saturation warm cool",
    parts: SOURCES.map(({ id, name, words }) => ({ name, words, view: { source: id } })),
    stands: ({ preview }) =>
      preview ? counted(preview.derived.scales.filter((s) => s.origin !== "derived").length, "colour") : "",
    strips: ({ scales }) => [scales.filter((s) => s.origin !== "derived").map(baseOf)],
    load: () => import("./brand/BrandStage"),
  },
  {
    id: "stave",
    name: "Stave",
    hotkey: "2",
    help: "Every scale a line, every step at its measured lightness.",
    words:
      "shades tints steps pin lock a step curve gamut chroma saturation several scales together at once copy a scale",
    parts: [
      { name: "method", words: "natural aligned mix curve tune a scale", at: "Method" },
      {
        name: "step names",
        words: "labels numbers numbering 50-950 100-900 0-1000 1-12 own list",
        at: "Step names",
      },
      {
        name: "alpha steps",
        words: "opacity percent see-through transparent overlay shades opacities",
        at: "Alpha steps, %",
      },
      { name: "runs to", words: "between two colors second end blend scale", at: "Runs to" },
      { name: "step 0", words: "zero surface white first", at: "step 0" },
      { name: "wide gamut", words: "p3 display vivid", at: "wide gamut" },
      { name: "in exports", words: "leave out prune unused only what is used omit", at: "in exports" },
    ],
    stands: ({ preview }) => (preview ? counted(preview.derived.scales.length, "scale") : ""),
    strips: ({ scales }) => scales.map((s) => s.steps.map((step) => step.hex)),
    load: () => import("./stave/StaveStage"),
  },
  {
    id: "ledger",
    name: "Ledger",
    hotkey: "3",
    help: "Every token in both modes, to search and to edit in place.",
    words:
      "roles variables values table rows columns mark several tokens at once bulk add own token filter sort",
    parts: [
      {
        name: "a new token",
        words: "add create own custom variable property group",
        at: "Path of the new token",
      },
      { name: "a new intent", words: "add create own part role family", at: "What to add" },
      { name: "columns", words: "show hide name in css sass rgb hsl oklch", at: "Columns" },
    ],
    stands: ({ preview }) => (preview ? counted(preview.derived.tokens.length, "token") : ""),
    tells: ({ document }) => {
      const roles = Object.keys(document.roles ?? {}).length;
      const own = Object.keys(document.tokens ?? {}).length;
      return [roles > 0 && `${counted(roles, "role")} set`, own > 0 && `${own} own`]
        .filter(Boolean)
        .join("\n");
    },
    load: () => import("./ledger/LedgerStage"),
  },
  {
    id: "check",
    name: "Check",
    hotkey: "4",
    help: "What is wrong with the theme, mended at a click; the contrast of everything on everything.",
    words:
      "accessibility wcag readable legible findings warnings errors fixes mend all accepted ignore report score proportion matrix pairs ratio",
    parts: [
      { name: "matrix", words: "contrast ratio pairs text on grounds readable", at: "Find a foreground" },
      {
        name: "more contrast",
        words: "switch level seven accessibility aaa off",
        at: "more contrast for those who ask for it",
      },
    ],
    stands: ({ preview }) =>
      preview ? counted(preview.counts.errors + preview.counts.warnings, "finding") : "",
    tells: ({ preview }) => {
      const errors = preview?.counts.errors ?? 0;
      return errors > 0 ? counted(errors, "error") : "";
    },
    load: () => import("./check/CheckStage"),
  },
  {
    id: "handoff",
    name: "Handoff",
    hotkey: "5",
    help: "The files for a build, live: copy, download, export an archive; in-house forms; what exists, recoloured.",
    parts: [
      ...SIDES.map(({ id, name, words }) => ({ name, words, view: { side: id } })),
      {
        name: "own page",
        words: "try on my website html preview recolored",
        view: { side: "existing", own: true },
      },
    ],
    stands: ({ document }) => `${packed(document).length} chosen`,
    tells: ({ document }) => {
      const chosen = packed(document);
      const more = chosen.length - MOST_TOLD;
      const forms = Object.keys(document.forms ?? {}).length;
      return [
        ...chosen.slice(0, MOST_TOLD),
        ...(more > 0 ? [`and ${more}`] : []),
        ...(forms > 0 ? [counted(forms, "form")] : []),
      ].join("\n");
    },
    load: () => import("./handoff/HandoffStage"),
  },
];
