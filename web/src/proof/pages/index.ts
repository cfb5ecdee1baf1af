import { booking } from "./booking";
import { dashboard } from "./dashboard";
import { notice } from "./notice";
import { parts } from "./parts";
import { roster } from "./roster";
import { timetable } from "./timetable";

/** The pages of the proof, in the order of their tabs. A new one is a file and a line. */
export const PAGES = { timetable, booking, roster, notice, dashboard, parts } satisfies Record<
  string,
  () => HTMLElement
>;

export type PageName = keyof typeof PAGES;

export const PAGE_NAMES = Object.keys(PAGES) as PageName[];

export function isPageName(name: unknown): name is PageName {
  return typeof name === "string" && name in PAGES;
}
