import type { Preview, Problem, Theme, ThemeDocument } from "../api/client";
import type { Below } from "../api/family";
import type { Conflict } from "./decisions";

/** What somebody else decided at the same time, against what a change of this window decides. */
export interface Clash {
  label: string;
  theirs: Theme;
  conflicts: Conflict[];
}

export interface EditorState {
  /** The theme as the server has it. */
  theme: Theme;
  /** What is shown: the saved document with every change on its way and the draft. */
  document: ThemeDocument;
  /** What the shown document comes to, or the last one that came to something. */
  preview: Preview | undefined;
  /** The document before the last change that was saved in this window. */
  before: ThemeDocument | undefined;
  status: "saved" | "drafting" | "saving" | "waiting" | "unsaved" | "deleted";
  /** What happened last, in words. */
  event: string;
  /** Why the shown document comes to nothing. */
  doubt: Problem | undefined;
  /** Why a change is waiting to be sent again. */
  away: Problem | undefined;
  /** A change that was refused and that no field tells of. */
  refused: { label: string; problem: Problem } | undefined;
  clash: Clash | undefined;
  /** A change that would make something unreadable in the themes below, until somebody decides. */
  held: { label: string; below: Below[] } | undefined;
}

/** How a change ended: saved, or refused with a reason. */
export interface Outcome {
  theme?: Theme;
  problem?: Problem;
}

export interface CommitOptions {
  /** Changes of one topic in a row are one revision. */
  topic?: string;
  /** The field that asked tells why a change was refused. */
  atField?: boolean;
}
