import { Chip, Input, NativeSelect, TextInput } from "@mantine/core";
import type { Target } from "../../api/client";
import classes from "./OptionField.module.css";

interface Props {
  option: Target["options"][number];
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
export function OptionField({ option, value, error, onChange, onEnter, onLeave }: Props) {
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
  if (option.kind === "list") {
    const chosen = value === "all" ? option.choices : value.split(",").map((word) => word.trim());
    const all = option.choices.length;
    return (
      <Input.Wrapper label={option.key} size="xs" error={error} w="100%">
        <Chip.Group
          multiple
          value={chosen}
          onChange={(words) => {
            const ordered = option.choices.filter((choice) => words.includes(choice));
            onChange(ordered.length % all === 0 ? "all" : ordered.join(","), true);
          }}
        >
          <fieldset className={classes.chips} aria-label={option.key} title={option.help}>
            {option.choices.map((choice) => (
              <Chip key={choice} value={choice} size="xs" variant="outline" onFocus={onEnter}>
                {choice}
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
