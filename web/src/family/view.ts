import type { Member } from "../api/family";
import type { PageName } from "../proof/pages";

/** What can be asked about a theme on the page of all of them. */
export const QUESTIONS = ["child", "parent", "differences", "delete"] as const;

export type Question = (typeof QUESTIONS)[number];

/** What a question knows: the theme that it is asked about, all of them, and the way back. */
export interface Asked {
  member: Member;
  members: Member[];
  onDone: () => void;
}

/** What is in view on the page of all themes. */
export interface FamilyView {
  /** Page of the proof that is drawn. */
  page?: PageName;
  /** Slug of the theme that one came from. */
  from?: string;
  /** What is being asked. */
  about?: Question;
  /** Slug of the theme that it is asked about. */
  of?: string;
}

export function isQuestion(value: unknown): value is Question {
  return QUESTIONS.some((question) => question === value);
}
