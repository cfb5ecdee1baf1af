import "@mantine/spotlight/styles.css";
import { useClipboard } from "@mantine/hooks";
import { createSpotlight, Spotlight } from "@mantine/spotlight";
import { useQuery } from "@tanstack/react-query";
import { type RefObject, useDeferredValue, useEffect, useLayoutEffect, useMemo, useRef } from "react";
import { cellOf } from "../api/cellOf";
import { againstQuery, checkQuery, findingKey, nearQuery, shownMode } from "../api/check";
import type { Finding, Token } from "../api/client";
import { targetsQuery, themesQuery } from "../api/queries";
import { useEditorState } from "../editor/EditorProvider";
import { derivedOf, documentOf } from "../editor/selectors";
import { isColor, Swatch } from "../ui/Swatch";
import { useGoTo } from "../ui/useGoTo";
import { useOpenTheme } from "../ui/useOpenTheme";
import type { View } from "../view";
import { dialogs } from "./dialogs";
import classes from "./Finder.module.css";
import { type Found, type FoundGroup, type Indexed, indexed, nearHits, pairIn, ranked } from "./finding";
import type { Action } from "./useActions";
import type { EarlyWords } from "./useEarlyWords";

const [store, spotlight] = createSpotlight();

export interface FinderProps {
  actions: Action[];
  /** What was typed, also before the finder was there. */
  typed: EarlyWords;
}

/**
 * Finds stages, actions, themes, scales, targets, tokens and findings by any part of their names, and by
 * a colour that is typed the tokens nearest to it.
 */
export default function Finder({ actions, typed }: FinderProps) {
  const { words, setWords } = typed;
  // The field is there before what it searches is laid out.
  const ready = useDeferredValue(true, false);
  const listed = useListed(ready);
  const everything = useMemo(
    () => (ready ? [...indexed(actions.map(foundAs)), ...listed] : []),
    [ready, actions, listed],
  );
  // A letter stands in the field at once; what it finds is drawn in the time between frames.
  const sought = useDeferredValue(words);
  const near = useNear(sought);
  const pair = usePair(sought);
  const groups = useMemo(() => {
    // What comes first is chosen: it does not change once it is shown.
    if (!near || !pair) return [];
    if (pair.length > 0) return pair;
    const named = ranked(everything, sought);
    // A code means a colour; a word may be one and mean something else.
    return /[#\d(]/.test(sought) ? [...near, ...named] : [...named, ...near];
  }, [near, pair, everything, sought]);
  const isSought = !ready || words !== sought || near === undefined || pair === undefined;
  useEffect(() => spotlight.open(), []);
  const search = useRef<HTMLInputElement>(null);
  return (
    <Spotlight.Root
      store={store}
      query={words}
      onQueryChange={setWords}
      onSpotlightClose={dialogs.close}
      shortcut={null}
      scrollable
      lockScroll={false}
      maxHeight={420}
      overlayProps={{ blur: 0, backgroundOpacity: 0.25 }}
      transitionProps={{ duration: 0 }}
      attributes={{ content: { "aria-label": "Find anything" } }}
    >
      <Spotlight.Search
        ref={search}
        placeholder="Stage, action, theme, target, token, finding, a colour, or one on another"
        aria-label="Find anything"
        onKeyDownCapture={(event) => {
          const hasChosen = !isSought && store.getState().selected >= 0;
          if (event.key !== "Enter" || hasChosen) return;
          // What is shown answers to other words.
          event.stopPropagation();
          typed.enter();
        }}
      />
      <Spotlight.ActionsList>
        {groups.map(({ group, hits }) => (
          <Spotlight.ActionsGroup key={group} label={group} className={classes.group}>
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
        {ready && groups.length === 0 && <Spotlight.Empty>Nothing is called that here.</Spotlight.Empty>}
      </Spotlight.ActionsList>
      {!isSought && <FirstChosen groups={groups} typed={typed} search={search} />}
    </Spotlight.Root>
  );
}

interface FirstChosenProps {
  groups: FoundGroup[];
  typed: EarlyWords;
  search: RefObject<HTMLInputElement | null>;
}

/** Chooses the first entry whenever the list changes, and takes it where Enter was pressed before it was there. */
function FirstChosen({ groups, typed: { words, isEntered }, search }: FirstChosenProps) {
  const listed = groups.flatMap(({ hits }) => hits.map((hit) => hit.id)).join("\n");
  // Together with the list: an Enter in between would find nothing chosen.
  useLayoutEffect(() => {
    if (!listed || !words) return;
    // By the key for the next one: the list offers no other way.
    store.setState({ ...store.getState(), selected: -1 });
    press(search.current, "ArrowDown");
    if (isEntered) press(search.current, "Enter");
  }, [listed, words, isEntered, search]);
  return null;
}

/** Presses a key in a field, as somebody would. */
function press(field: HTMLElement | null, key: string) {
  field?.dispatchEvent(new KeyboardEvent("keydown", { code: key, key, bubbles: true }));
}

/** The colour that words are, in any notation of CSS, or as six or eight digits without their sign. */
function typedColor(words: string): string | undefined {
  const text = words.trim();
  const code = /^([0-9a-f]{6}|[0-9a-f]{8})$/i.test(text) ? `#${text}` : text;
  return isColor(code) && !MADE_OF_OTHERS.test(code) ? code : undefined;
}

/** What only a page can work out. */
const MADE_OF_OTHERS = /(var|env|calc|color-mix|light-dark|contrast-color)\(/i;

/** The tokens nearest to a colour, where the words are one; nothing yet while they are looked for. */
function useNear(words: string): FoundGroup[] | undefined {
  const goTo = useGoTo();
  const spec = useEditorState(documentOf);
  const color = typedColor(words);
  const { data, isFetching } = useQuery(nearQuery(spec, color));
  return useMemo(() => {
    if (color && isFetching) return undefined;
    if (!data) return [];
    const hits = nearHits(data.tokens).map(({ path, value, modes, difference }) => ({
      id: `near-${path}-${modes}`,
      group: "",
      name: path,
      words: "",
      help: [value, modes, difference === 0 ? "exactly this" : `apart by ${difference}`]
        .filter(Boolean)
        .join(" · "),
      colors: [data.hex, value],
      run: () => goTo("ledger", { token: path }),
    }));
    return [{ group: `Tokens nearest to ${data.hex}`, hits }];
  }, [color, isFetching, data, goTo]);
}

/** What two colours come to, where the words are two; nothing yet while they are measured. */
function usePair(words: string): FoundGroup[] | undefined {
  const spec = useEditorState(documentOf);
  const { copy } = useClipboard();
  const derived = useEditorState(derivedOf);
  const isSide = (side: string) =>
    typedColor(side) !== undefined || isColor(`#${side}`) || derived?.tokens.some((t) => t.path === side);
  const pair = pairIn(words);
  const [front, ground] = pair ?? [];
  const { data, isFetching } = useQuery(againstQuery(spec, pair?.every(isSide) ? pair : undefined));
  return useMemo(() => {
    if (isFetching) return undefined;
    if (!data || !front) return [];
    const hits = data.map(({ mode, ratio, serves, ...pair }) => ({
      id: `pair-${mode}`,
      group: "",
      name: `${ratio.toFixed(2)} : 1`,
      words: "",
      help: [mode, serves, "Enter copies it"].filter(Boolean).join(" · "),
      colors: [pair.front, pair.ground],
      run: () => copy(`${ratio.toFixed(2)} : 1`),
    }));
    return [{ group: `${front} on ${ground}`, hits }];
  }, [isFetching, data, front, ground, copy]);
}

const foundAs = (action: Action): Found => ({
  ...action,
  words: `${action.name} ${action.help ?? ""} ${action.words ?? ""}`,
});

/** All that can be found besides actions, from the lists and the theme at hand. */
function useListed(ready: boolean): Indexed[] {
  const derived = useEditorState(derivedOf);
  const goTo = useGoTo();
  const { data: themes = [] } = useQuery(themesQuery);
  const { data: targets = [] } = useQuery(targetsQuery);
  const spec = useEditorState(documentOf);
  const { data: check } = useQuery(checkQuery(spec, "usual"));
  const openTheme = useOpenTheme();
  return useMemo(() => {
    if (!ready) return [];
    const go = (stage: string, view: Partial<View>) => () => goTo(stage, view);
    const tokens = new Map(derived?.tokens.map((token) => [token.path, token]));
    return indexed([
      ...themes.map((t) => ({
        id: `theme-${t.id}`,
        group: "Themes",
        name: t.name,
        words: `${t.name} ${t.slug} theme`,
        help: t.parent ? `extends ${t.parent}` : t.slug,
        colors: t.colors,
        run: () => openTheme(t.slug),
      })),
      ...(derived?.scales ?? []).map((s) => ({
        id: `scale-${s.slug}`,
        group: "Scales",
        name: s.name,
        words: `${s.name} ${s.slug} scale`,
        help: `${s.steps.length} steps`,
        colors: s.steps.map((step) => step.hex),
        run: go("stave", { scale: s.slug }),
      })),
      ...(check?.findings ?? []).map((f) => ({
        id: `finding-${findingKey(f)} ${f.message}`,
        group: "Findings",
        name: f.message,
        words: `${f.message} ${f.id} ${f.severity} ${f.accepted ? "accepted" : ""} finding`,
        help: f.accepted ? "accepted" : f.severity,
        colors: colorsOf(f, tokens),
        run: go("check", { finding: findingKey(f) }),
      })),
      ...targets.map((t) => ({
        id: `target-${t.id}`,
        group: "Targets",
        name: t.name,
        words: [t.name, t.id, ...t.files, ...t.keys, "target", t.usage].join(" "),
        help: t.files[0] ?? "",
        run: go("handoff", { side: "files", target: t.id }),
      })),
      ...(derived?.tokens ?? []).map((t) => ({
        id: `token-${t.path}`,
        group: "Tokens",
        name: t.path,
        words: `${t.path} ${t.css} token ${t.light.value} ${t.dark?.value ?? ""}`,
        help: t.dark ? `${t.light.value} · ${t.dark.value}` : t.light.value,
        ...(t.kind === "color" && { colors: t.dark ? [t.light.value, t.dark.value] : [t.light.value] }),
        run: go("ledger", { token: t.path }),
      })),
    ]);
  }, [ready, themes, targets, check, derived, openTheme, goTo]);
}

/** The colours of a finding's tokens, in its mode. */
function colorsOf(finding: Finding, all: Map<string, Token>): string[] | undefined {
  const both = finding.tokens.slice(0, 2).map((path) => all.get(path));
  const colors = both
    .filter((token) => token?.kind === "color")
    .flatMap((token) => cellOf(token, shownMode(finding))?.value ?? []);
  return colors.length > 0 ? colors : undefined;
}
