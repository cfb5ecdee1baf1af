import { useHotkeys } from "@mantine/hooks";
import { type ComponentType, useEffect, useState } from "react";
import { OwnDialog } from "../lineage/OwnDialog";
import { DeleteDialog } from "./DeleteDialog";
import { DeletedThemes } from "./DeletedThemes";
import { useDialog, useDialogs } from "./dialogs";
import type { FinderProps } from "./Finder";
import { HistoryDrawer } from "./history/HistoryDrawer";
import { KeysSheet } from "./KeysSheet";
import { RenameDialog } from "./NameDialog";
import { NewThemeDialog } from "./NewThemeDialog";
import { type Action, useActions } from "./useActions";
import { useEarlyWords } from "./useEarlyWords";

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
  useHotkeys(keysOf(actions.filter((action) => !action.inFields)));
  useHotkeys(
    keysOf(
      actions.filter((action) => action.inFields),
      unlessAsked,
    ),
    [],
  );
  return (
    <>
      {finding && Finder && <Finder actions={actions} typed={typed} />}
      <KeysSheet actions={actions} />
      <HistoryDrawer />
      <NewThemeDialog />
      <RenameDialog />
      <DeleteDialog />
      <DeletedThemes />
      <OwnDialog {...useDialog("own")} />
    </>
  );
}

/** The keys of actions, as `useHotkeys` takes them. */
const keysOf = (actions: Action[], when = (run: () => void) => run()) =>
  actions.flatMap(({ hotkeys = [], run }) =>
    hotkeys.map((keys): [string, () => void] => [keys, () => when(run)]),
  );

/** What is typed into a question is not left behind. */
function unlessAsked(run: () => void) {
  if (!document.activeElement?.closest("[role=dialog]")) run();
}

/**
 * The finder, a package of its own that the first screen does not wait for. It is there before
 * somebody calls it, and without `Suspense`, which holds back what it shows: the first letters that
 * are typed would be lost.
 */
function useFinder(called: boolean): ComponentType<FinderProps> | undefined {
  const [found, setFound] = useState<{ default: ComponentType<FinderProps> }>();
  useEffect(() => {
    if (found) return;
    const timer = setTimeout(() => void import("./Finder").then(setFound), called ? 0 : 300);
    return () => clearTimeout(timer);
  }, [found, called]);
  return found?.default;
}
