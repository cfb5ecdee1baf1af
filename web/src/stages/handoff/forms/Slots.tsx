import { Button, NativeSelect, TextInput } from "@mantine/core";
import { type FormEvent, useState } from "react";
import type { Token } from "../../../api/client";
import { refusalOf } from "../../../api/client";
import type { Slot } from "../../../api/exist";
import { useEditorState } from "../../../editor/EditorProvider";
import { tokensOf } from "../../../editor/selectors";
import type { Outcome } from "../../../editor/state";
import { Breakable } from "../../../ui/Breakable";
import { counted } from "../../../ui/counted";
import { Swatch } from "../../../ui/Swatch";
import { TypedField } from "../../../ui/TypedField";
import { type Called, CalledSlots } from "./CalledSlots";
import classes from "./Forms.module.css";

type SlotMap = Record<string, Slot>;

interface Props {
  name: string;
  slots: SlotMap;
  unused: string[];
  /** Slots that follow nothing yet and are called after a role. */
  called: Called[];
  onChange: (slots: SlotMap, label: string) => Promise<Outcome>;
}

/** What a slot stands for, as one text: a token's path or a colour. */
const told = (slot: Slot) => slot.token ?? slot.color ?? "";

/** A slot that follows the role it is called after. */
const following = (called: Called, slot?: Slot): Slot => ({
  token: called.token,
  mode: called.mode === "dark" ? "dark" : null,
  filter: slot?.filter ?? null,
});

function colorOf(slot: Slot, tokens: Token[]): string | undefined {
  const token = tokens.find((t) => t.path === slot.token);
  if (!token) return slot.color ?? undefined;
  return (slot.mode === "dark" && token.dark ? token.dark : token.light).value;
}

/** The names in a form, each with the token or the colour that it stands for. */
export function Slots({ name, slots, unused, called, onChange }: Props) {
  const tokens = useEditorState(tokensOf) ?? [];
  const paths = tokens.filter((t) => t.kind === "color").map((t) => t.path);
  const [fresh, setFresh] = useState("");
  const [refusal, setRefusal] = useState<string>();
  const set = (key: string, to: Slot) =>
    onChange({ ...slots, [key]: to }, `form ${name}: ${key} ${told(to)}`);
  const meant = (slot: Slot, text: string): Slot =>
    paths.includes(text) || /^[a-z][a-z0-9-]*\.[a-z0-9.-]+$/.test(text)
      ? { token: text, mode: slot.mode ?? null, filter: slot.filter ?? null }
      : { color: text, filter: slot.filter ?? null };
  const add = async (event: FormEvent) => {
    event.preventDefault();
    const { problem } = await set(fresh, { token: "primary.fill" });
    setRefusal(problem && refusalOf(problem));
    if (!problem) setFresh("");
  };
  return (
    <div className={classes.slots}>
      <CalledSlots
        called={called}
        colorOf={(one) => colorOf(following(one), tokens)}
        onFollow={() => {
          const roles = called.map((one) => [one.slot, following(one, slots[one.slot])]);
          const label = `form ${name}: ${counted(called.length, "slot")} as called`;
          void onChange({ ...slots, ...Object.fromEntries(roles) }, label);
        }}
      />
      <ul aria-label="Slots" className={classes.slotList}>
        {Object.entries(slots).map(([key, slot]) => (
          <li key={key} data-unused={unused.includes(key) || undefined}>
            <Swatch colors={[colorOf(slot, tokens)]} large />
            <code title={unused.includes(key) ? "the text does not use it" : undefined}>
              <Breakable name={key} />
            </code>
            <TypedField
              label={null}
              name={`What ${key} stands for`}
              placeholder="primary.fill"
              value={told(slot)}
              offers={paths}
              onText={(text) => set(key, meant(slot, text))}
            />
            <NativeSelect
              size="xs"
              aria-label={`Mode of ${key}`}
              data={["light", "dark"]}
              disabled={!slot.token}
              value={slot.mode ?? "light"}
              onChange={(e) =>
                void set(key, { ...slot, mode: e.currentTarget.value === "dark" ? "dark" : null })
              }
            />
            <TypedField
              label={null}
              name={`Filter of ${key}`}
              placeholder="filter"
              value={slot.filter ?? ""}
              onText={(filter) => set(key, { ...slot, filter: filter || null })}
            />
            <button
              type="button"
              aria-label={`Remove ${key}`}
              onClick={() => {
                const { [key]: _, ...others } = slots;
                void onChange(others, `form ${name}: without ${key}`);
              }}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
      <form className={classes.row} onSubmit={add}>
        <TextInput
          size="xs"
          aria-label="Name of a new slot"
          placeholder="brand_dark"
          value={fresh}
          error={refusal}
          onChange={(e) => {
            setFresh(e.currentTarget.value);
            setRefusal(undefined);
          }}
        />
        <Button size="compact-sm" type="submit" variant="default" disabled={fresh.trim() === ""}>
          Add a slot
        </Button>
      </form>
    </div>
  );
}
