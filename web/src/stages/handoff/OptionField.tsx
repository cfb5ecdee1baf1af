import { Chip, Input, NativeSelect, TextInput } from "@mantine/core";
import type { Target } from "../../api/client";
import { Swatch } from "../../ui/Swatch";
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
    const chips: Chosen[] = option.kind === "list" ? option.choices.map((id) => ({ id, name: id })) : brand;
    return (
      <Input.Wrapper label={option.key} size="xs" error={error} w="100%">
        <Chip.Group
          multiple
          value={chosen}
          onChange={(words) => {
            const ordered = chips.map((chip) => chip.id).filter((id) => words.includes(id));
            onChange(all && ordered.length % all === 0 ? "all" : ordered.join(","), true);
          }}
        >
          <fieldset className={classes.chips} aria-label={option.key} title={option.help}>
            {chips.map(({ id, name, color }) => (
              <Chip key={id} value={id} size="xs" variant="outline" onFocus={onEnter}>
                {color && <Swatch colors={[color]} />}
                {name}
              </Chip>
            ))}
          </fieldset>
        </Chip.Group>
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
