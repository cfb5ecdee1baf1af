import { MultiSelect, NativeSelect, TextInput } from "@mantine/core";
import type { Target } from "../../api/client";

interface Props {
  option: Target["options"][number];
  value: string;
  onChange: (key: string, value: string) => void;
}

/** The field for one option, by what it takes. */
export function OptionField({ option, value, onChange }: Props) {
  if (option.kind === "choice") {
    return (
      <NativeSelect
        label={option.key}
        title={option.help}
        size="xs"
        w={118}
        data={option.choices}
        value={value}
        onChange={(e) => onChange(option.key, e.currentTarget.value)}
      />
    );
  }
  if (option.kind === "list") {
    const chosen = value === "all" ? option.choices : value.split(",");
    return (
      <MultiSelect
        label={option.key}
        title={option.help}
        size="xs"
        w={310}
        data={option.choices}
        value={chosen}
        hidePickedOptions
        onChange={(words) =>
          onChange(
            option.key,
            words.length === 0 || words.length === option.choices.length ? "all" : words.join(","),
          )
        }
      />
    );
  }
  return (
    <TextInput
      label={option.key}
      title={option.help}
      size="xs"
      w={90}
      value={value}
      onChange={(e) => onChange(option.key, e.currentTarget.value)}
    />
  );
}
