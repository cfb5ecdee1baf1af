import { Input, NativeSelect, TextInput } from "@mantine/core";
import type { Target } from "../../api/client";
import { Swatch } from "../../ui/Swatch";
import { Tick, withTick } from "../../ui/Tick";
import classes from "./OptionField.module.css";

/** What can be ticked. */
interface Chosen {
  id: string;
  name: string;
  color?: string;
}

interface Props {
  option: Target["options"][number];
  /** The theme's brand colours, for options that take some of them. */
  brand: Chosen[];
  value: string;
  /** Why what was typed is not taken. */
  error: string | undefined;
  /** With `done` once a choice is complete; text is complete when its field is left. */
  onChange: (value: string, done: boolean) => void;
  /** The field has the focus. */
  onEnter: () => void;
  onLeave: () => void;
}

/** The field for one option, by what it takes. */
export function OptionField({ option, brand, value, error, onChange, onEnter, onLeave }: Props) {
  const shared = { label: option.key, title: option.help, size: "xs", error, onFocus: onEnter } as const;
  if (option.kind === "choice") {
    return (
      <NativeSelect
        {...shared}
        w={104}
        data={option.choices}
        value={value}
        onChange={(e) => onChange(e.currentTarget.value, true)}
      />
    );
  }
  if (option.kind === "list" || option.kind === "brand") {
    const all = option.kind === "list" && option.choices.length;
    const chosen = value === "all" ? option.choices : value.split(",").map((word) => word.trim());
    const offered: Chosen[] = option.kind === "list" ? option.choices.map((id) => ({ id, name: id })) : brand;
    const take = (words: string[]) => {
      const ordered = offered.map(({ id }) => id).filter((id) => words.includes(id));
      onChange(all && ordered.length % all === 0 ? "all" : ordered.join(","), true);
    };
    return (
      <Input.Wrapper label={option.key} size="xs" error={error} w="100%">
        <fieldset className={classes.ticks} aria-label={option.key} title={option.help}>
          {offered.map(({ id, name, color }) => (
            <Tick
              key={id}
              tag
              checked={chosen.includes(id)}
              onFocus={onEnter}
              onTick={(on) => take(withTick(chosen, id, on))}
              label={
                <>
                  {color && <Swatch colors={[color]} />}
                  {name}
                </>
              }
            />
          ))}
        </fieldset>
      </Input.Wrapper>
    );
  }
  return (
    <TextInput
      {...shared}
      w={option.kind === "name" ? 84 : 204}
      value={value}
      onChange={(e) => onChange(e.currentTarget.value, false)}
      onBlur={onLeave}
      onKeyDown={(e) => e.key === "Enter" && onLeave()}
    />
  );
}
