import { type HotkeyItem, useHotkeys } from "@mantine/hooks";
import { type ComponentType, type ReactNode, useEffect, useState } from "react";
import { later, useAsked } from "../ui/later";
import { type DialogName, dialogs, useDialog, useDialogs } from "./dialogs";
import type { FinderProps } from "./Finder";
import { type Action, useActions } from "./useActions";
import { useEarlyWords } from "./useEarlyWords";

const KeysSheet = later(() => import("./KeysSheet").then((m) => m.KeysSheet));

/** What lies over the frame, each a package of its own, by the name under which it is asked for. */
const OVER: [DialogName, ComponentType][] = [
  ["history", later(() => import("./history/HistoryDrawer").then((m) => m.HistoryDrawer))],
  ["new", later(() => import("./NewThemeDialog").then((m) => m.NewThemeDialog))],
  ["name", later(() => import("./NameDialog").then((m) => m.RenameDialog))],
  ["delete", later(() => import("./DeleteDialog").then((m) => m.DeleteDialog))],
  ["deleted", later(() => import("./DeletedThemes").then((m) => m.DeletedThemes))],
  ["own", later(() => import("../lineage/OwnDialog").then((m) => m.OwnDialog))],
];

interface Props {
  /** Which actions there are on this screen; all of them unless it says so. */
  fits?: (action: Action) => boolean;
}

/** Keys that work everywhere but in a field, and the dialogs that they open. */
export function Commands({ fits = () => true }: Props) {
  const actions = useActions().filter(fits);
  const finding = useDialogs((s) => s.opened === "finder");
  const Finder = useFinder(finding);
  const typed = useEarlyWords(finding);
  useHotkeys(keysOf(actions), []);
  return (
    <>
      {finding && Finder && <Finder actions={actions} typed={typed} />}
      <Once asked="keys">
        <KeysSheet actions={actions} />
      </Once>
      {OVER.map(([name, Over]) => (
        <Once key={name} asked={name}>
          <Over />
        </Once>
      ))}
    </>
  );
}

/** What is drawn once it was asked for. */
function Once({ asked, children }: { asked: DialogName; children: ReactNode }) {
  return useAsked(useDialog(asked).opened) ? children : null;
}

/** The keys of actions, as `useHotkeys` takes them. */
const keysOf = (actions: Action[]) =>
  actions.flatMap(({ id, hotkeys = [], inFields, run }) =>
    hotkeys.map((keys): HotkeyItem => {
      const heard = (event: KeyboardEvent) => {
        if (inFields ? isAsked() : takesText(event.target) || !isFree(event.target)) return;
        event.preventDefault();
        const wasSheet = isSheet();
        if (wasSheet) dialogs.close();
        if (!wasSheet || id !== "keys") run();
      };
      return [keys, heard, { preventDefault: inFields ?? false }];
    }),
  );

/** What is typed into a question is not left behind. */
const isAsked = () => !isSheet() && Boolean(document.activeElement?.closest("[role=dialog]"));

/** Whether no question lies over what a key would change. */
const isFree = (target: EventTarget | null) =>
  isSheet() || !(target instanceof Element && target.closest("[aria-modal=true]"));

/** The sheet of keys is no question: a key that is read there is tried there. */
const isSheet = () => useDialogs.getState().opened === "keys";

/** Whether a key is a letter to what has the focus; what is ticked has no use for letters, but in a question. */
const takesText = (target: EventTarget | null) =>
  target instanceof Element &&
  target.matches("select, textarea, input:not([type=checkbox], [type=radio]), [role=dialog] input");

/**
 * The finder, a package of its own that is fetched once somebody moves: it is mostly there before it is
 * called. Without `Suspense`, which holds back what it shows: the first letters that are typed would be lost.
 */
function useFinder(called: boolean): ComponentType<FinderProps> | undefined {
  const [found, setFound] = useState<{ default: ComponentType<FinderProps> }>();
  useEffect(() => {
    if (found) return;
    const fetch = () => void import("./Finder").then(setFound);
    if (called) return fetch();
    const acted = new AbortController();
    for (const act of ["keydown", "pointermove"])
      window.addEventListener(act, fetch, { once: true, signal: acted.signal });
    return () => acted.abort();
  }, [found, called]);
  return found?.default;
}
