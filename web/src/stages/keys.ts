/** A key that works in a stage, and what it does there. */
interface StageKey {
  keys: string;
  does: string;
}

/** What keys do in each stage, by its id. Apart from the list of stages: only the sheet of keys asks for them. */
export const KEYS: Record<string, StageKey[]> = {
  brand: [
    { keys: "← →", does: "open the colour beside; with Alt move it" },
    { keys: "← →", does: "on a strip of the tuner: move the colour, with Shift ten times as far" },
    { keys: "← → ↑ ↓", does: "on a spot of a picture: move it, with Shift further; Delete removes it" },
    { keys: "Enter", does: "add typed or pasted colours; Shift Enter begins a line" },
    { keys: "← → ↑ ↓", does: "on the faces: go to the one beside, above or below" },
    { keys: "↑ ↓", does: "on a set of the library: try the one above or below on the theme" },
  ],
  stave: [
    { keys: "← →", does: "move the chosen step by half an L*, with Shift by two" },
    { keys: "Enter", does: "open the scale of the chosen step" },
    { keys: "↑ ↓", does: "on a scale’s name: go to the one above or below; ← → along its steps below" },
    { keys: "Ctrl click", does: "on a scale’s name: choose it, to move several scales together" },
  ],
  ledger: [
    { keys: "Enter", does: "edit the chosen value, and save it; with Shift in both modes" },
    { keys: "Esc", does: "leave a value as it was" },
    { keys: "← → ↑ ↓", does: "move from value to value; Page and Ctrl Home, Ctrl End go further" },
    {
      keys: "Ctrl click",
      does: "on a name: mark it, with Shift all up to it; marked tokens are changed together",
    },
  ],
  check: [
    { keys: "← → ↑ ↓", does: "in the matrix: move from pair to pair, with Enter copy one" },
    { keys: "Shift click", does: "copy the ratio of a pair alone" },
  ],
  handoff: [
    { keys: "← → ↑ ↓", does: "in the list of targets: move from one to the next, and to its tick" },
    { keys: "↑ ↓", does: "walk the lines of the file, with Enter copy one" },
    { keys: "Enter", does: "in the search of a file: the next hit, with Shift copy it" },
    { keys: "Enter", does: "in the map: what a colour becomes, a colour or a token's path" },
  ],
};
