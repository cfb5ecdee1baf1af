import { Checkbox, NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { themesQuery } from "../../../api/queries";
import { useEditorState } from "../../../editor/EditorProvider";
import { themeOf } from "../../../editor/selectors";
import { alterExisting, useExisting } from "../../../existing/existing";
import classes from "./Existing.module.css";

/** How colours find their new ones: by hand or from another theme, and what goes along. */
export function How() {
  const theme = useEditorState(themeOf);
  const { data: themes = [] } = useQuery(themesQuery);
  const { from, kin, comments, toVariables } = useExisting(theme.id);
  const alter = (to: Parameters<typeof alterExisting>[1]) => alterExisting(theme.id, to);
  const others = themes.filter((other) => other.slug !== theme.slug);
  return (
    <div className={classes.bar}>
      <NativeSelect
        size="xs"
        aria-label="Colours of the files"
        data={[
          { value: "", label: "map by hand" },
          ...(theme.revision > 1
            ? [{ value: `${theme.slug}@1`, label: "they have this theme's first revision" }]
            : []),
          ...others.map((other) => ({ value: other.slug, label: `they have ${other.name}` })),
        ]}
        value={from}
        onChange={(e) => alter({ from: e.currentTarget.value })}
      />
      <Checkbox
        size="xs"
        label="take kin along"
        title="Hover shades, tints and borders of the same hue move with their colour"
        checked={kin}
        onChange={(e) => alter({ kin: e.currentTarget.checked })}
      />
      <Checkbox
        size="xs"
        label="comments too"
        checked={comments}
        onChange={(e) => alter({ comments: e.currentTarget.checked })}
      />
      <Checkbox
        size="xs"
        label="refer to tokens, var(--…)"
        checked={toVariables}
        onChange={(e) => alter({ toVariables: e.currentTarget.checked })}
      />
    </div>
  );
}
