import { MultiSelect, NativeSelect, TextInput } from "@mantine/core";
import type { Target } from "../../api/client";

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
    const all = option.choices.length;
    return (
      <MultiSelect
        {...shared}
        w="100%"
        data={option.choices}
        value={value === "all" ? option.choices : value.split(",").map((w) => w.trim())}
        hidePickedOptions
        onChange={(words) =>
          onChange(words.length === 0 || words.length === all ? "all" : words.join(","), true)
        }
      />
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
