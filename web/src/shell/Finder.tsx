import "@mantine/spotlight/styles.css";
import { createSpotlight, Spotlight } from "@mantine/spotlight";
import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { useEffect, useMemo, useState } from "react";
import { targetsQuery, themesQuery } from "../api/queries";
import { useEditorState } from "../editor/EditorProvider";
import { derivedOf } from "../editor/selectors";
import type { View } from "../router";
import { Swatch } from "../ui/Swatch";
import { useGoTo } from "../ui/useGoTo";
import { dialogs } from "./dialogs";
import classes from "./Finder.module.css";
import { type Found, ranked } from "./finding";
import type { Action } from "./useActions";

const [store, spotlight] = createSpotlight();

/** Finds stages, actions, themes, scales, targets and tokens by any part of their names. */
export default function Finder({ actions }: { actions: Action[] }) {
  const [words, setWords] = useState("");
  const everything = useEverything(actions);
  const groups = useMemo(() => ranked(everything, words), [everything, words]);
  useEffect(() => spotlight.open(), []);
  return (
    <Spotlight.Root
      store={store}
      query={words}
      onQueryChange={setWords}
      onSpotlightClose={dialogs.close}
      shortcut={null}
      scrollable
      maxHeight={420}
      overlayProps={{ blur: 0, backgroundOpacity: 0.25 }}
      transitionProps={{ duration: 0 }}
      attributes={{ content: { "aria-label": "Find anything" } }}
    >
      <Spotlight.Search
        placeholder="Stage, action, theme, scale, target or token"
        aria-label="Find anything"
      />
      <Spotlight.ActionsList>
        {groups.map(({ group, hits }) => (
          <Spotlight.ActionsGroup key={group} label={group}>
            {hits.map((hit) => (
              <Spotlight.Action key={hit.id} onClick={hit.run} className={classes.hit}>
                <span className={classes.name}>
                  {hit.colors && <Swatch colors={hit.colors} />} {hit.name}
                </span>
                <small>{hit.keys ?? hit.help}</small>
              </Spotlight.Action>
            ))}
          </Spotlight.ActionsGroup>
        ))}
        {groups.length === 0 && <Spotlight.Empty>Nothing is called that here.</Spotlight.Empty>}
      </Spotlight.ActionsList>
    </Spotlight.Root>
  );
}

/** All that can be found, from the lists and the theme at hand. */
function useEverything(actions: Action[]): Found[] {
  const derived = useEditorState(derivedOf);
  const goTo = useGoTo();
  const { data: themes = [] } = useQuery(themesQuery);
  const { data: targets = [] } = useQuery(targetsQuery);
  const navigate = useNavigate();
  return useMemo(() => {
    const go = (stage: string, view: Partial<View>) => () => goTo(stage, view);
    return [
      ...actions.map((a) => ({ ...a, words: `${a.name} ${a.help ?? ""} ${a.words ?? ""}` })),
      ...themes.map((t) => ({
        id: `theme-${t.id}`,
        group: "Themes",
        name: t.name,
        words: `${t.name} ${t.slug}`,
        help: t.parent ? `extends ${t.parent}` : t.slug,
        colors: t.colors,
        run: () => void navigate({ to: "/themes/$slug/$stage", params: { slug: t.slug, stage: "stave" } }),
      })),
      ...(derived?.scales ?? []).map((s) => ({
        id: `scale-${s.slug}`,
        group: "Scales",
        name: s.name,
        words: `${s.name} ${s.slug}`,
        help: `${s.steps.length} steps`,
        colors: s.steps.map((step) => step.hex),
        run: go("stave", { scale: s.slug }),
      })),
      ...targets.map((t) => ({
        id: `target-${t.id}`,
        group: "Targets",
        name: t.name,
        words: [t.name, t.id, ...t.files, ...t.keys].join(" "),
        help: t.files[0] ?? "",
        run: go("handoff", { side: "files", target: t.id }),
      })),
      ...(derived?.tokens ?? []).map((t) => ({
        id: `token-${t.path}`,
        group: "Tokens",
        name: t.path,
        words: `${t.path} ${t.css} ${t.light.value} ${t.dark?.value ?? ""}`,
        help: t.dark ? `${t.light.value} · ${t.dark.value}` : t.light.value,
        ...(t.kind === "color" && { colors: t.dark ? [t.light.value, t.dark.value] : [t.light.value] }),
        run: go("ledger", { token: t.path }),
      })),
    ];
  }, [actions, themes, targets, derived, navigate, goTo]);
}
