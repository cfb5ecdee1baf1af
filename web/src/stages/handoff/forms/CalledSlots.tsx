import { Button } from "@mantine/core";
import { Breakable } from "../../../ui/Breakable";
import { Swatch } from "../../../ui/Swatch";
import classes from "./Forms.module.css";

/** A slot that follows nothing of the theme and is called after a role of it. */
export interface Called {
  slot: string;
  token: string;
  mode?: string | null;
}

interface Props {
  called: Called[];
  colorOf: (called: Called) => string | undefined;
  onFollow: () => void;
}

/** How many of them are told. */
const TOLD = 6;

/** What a form's slots are called after, to let them follow it. */
export function CalledSlots({ called, colorOf, onFollow }: Props) {
  if (called.length === 0) return null;
  const one = called.length === 1;
  return (
    <div className={classes.called}>
      <p>
        {one
          ? "A slot is called after a role and follows nothing yet."
          : `${called.length} slots are called after a role and follow nothing yet.`}
      </p>
      <ul aria-label="Called after a role">
        {called.slice(0, TOLD).map((slot) => (
          <li key={slot.slot}>
            <code>
              <Breakable name={slot.slot} />
            </code>{" "}
            <Swatch colors={[colorOf(slot)]} />{" "}
            <code>
              <Breakable name={slot.token} />
            </code>
          </li>
        ))}
        {called.length > TOLD && <li>and {called.length - TOLD} more</li>}
      </ul>
      <Button size="compact-sm" variant="default" onClick={onFollow}>
        Let {one ? "it" : "them"} follow
      </Button>
    </div>
  );
}
