import type { EditorState } from "./state";

/** Slices that several rooms read. */
export const documentOf = (s: EditorState) => s.document;
export const themeOf = (s: EditorState) => s.theme;
export const derivedOf = (s: EditorState) => s.preview?.derived;
export const scalesOf = (s: EditorState) => s.preview?.derived.scales;
export const tokensOf = (s: EditorState) => s.preview?.derived.tokens;
export const pairsOf = (s: EditorState) => s.preview?.derived.pairs;
export const intentsOf = (s: EditorState) => s.preview?.derived.intents;
/** Whether the theme makes a level of more contrast. */
export const hasMoreOf = (s: EditorState) => s.preview?.derived.more != null;
