/** The longest label that tells every choice. */
const LONGEST = 160;

/** What a choice is about: targets that are packed, or an option of one. */
const subject = (choice: string) => choice.replace(/^(with|without) /, "").replace(/^(\S+, \S+) .*$/, "$1");

/**
 * What a revision of choices is called, which are one revision in a row: by what its label tells so far and
 * by the new one. Of two about the same the later counts.
 */
export function labelled(before: string, choice: string): string {
  const [prefix, told] = ["handoff: ", before.replace(/^handoff: /, "")];
  const others = told === before ? [] : told.split("; ").filter((one) => subject(one) !== subject(choice));
  const all = prefix + [...others, choice].join("; ");
  return all.length <= LONGEST ? all : prefix + choice;
}
