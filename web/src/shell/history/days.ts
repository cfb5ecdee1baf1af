/** What was saved on one day. */
export interface Day<T> {
  day: string;
  entries: T[];
}

const told = new Intl.DateTimeFormat(undefined, { dateStyle: "full" });

/** Entries by the day on which they were saved, in their order; the last two days by their words. */
export function byDay<T extends { createdAt: string }>(entries: T[], now: Date): Day<T>[] {
  const yesterday = new Date(now);
  yesterday.setDate(now.getDate() - 1);
  const words = new Map([
    [now.toDateString(), "Today"],
    [yesterday.toDateString(), "Yesterday"],
  ]);
  const days: Day<T>[] = [];
  for (const entry of entries) {
    const at = new Date(entry.createdAt);
    const day = words.get(at.toDateString()) ?? told.format(at);
    const last = days.at(-1);
    if (last?.day === day) last.entries.push(entry);
    else days.push({ day, entries: [entry] });
  }
  return days;
}
