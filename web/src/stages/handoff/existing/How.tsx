import { NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { themesQuery } from "../../../api/queries";
import { useEditorState } from "../../../editor/EditorProvider";
import { themeOf } from "../../../editor/selectors";
import { alterExisting, useExisting } from "../../../existing/existing";
import { Tick } from "../../../ui/Tick";
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
        maw={280}
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
      <Tick
        label="take kin along"
        title="Hover shades, tints and borders of the same hue move with their colour"
        checked={kin}
        onTick={(on) => alter({ kin: on })}
      />
      <Tick label="comments too" checked={comments} onTick={(on) => alter({ comments: on })} />
      <Tick
        label="refer to tokens, var(--…)"
        checked={toVariables}
        onTick={(on) => alter({ toVariables: on })}
      />
    </div>
  );
}
