import { useHotkeys } from "@mantine/hooks";
import { lazy, Suspense } from "react";
import { DeleteDialog } from "./DeleteDialog";
import { DeletedThemes } from "./DeletedThemes";
import { useDialogs } from "./dialogs";
import { HistoryDrawer } from "./HistoryDrawer";
import { KeysSheet } from "./KeysSheet";
import { RenameDialog } from "./NameDialog";
import { NewThemeDialog } from "./NewThemeDialog";
import { useActions } from "./useActions";

// The finder is a package of its own: it is loaded once somebody looks for something.
const Finder = lazy(() => import("./Finder"));

/** Keys that work everywhere but in a field, and the dialogs that they open. */
export function Commands() {
  const actions = useActions();
  const finding = useDialogs((s) => s.opened === "finder");
  useHotkeys(
    actions.flatMap(({ hotkeys = [], run }) => hotkeys.map((keys): [string, () => void] => [keys, run])),
  );
  return (
    <>
      <Suspense>{finding && <Finder actions={actions} />}</Suspense>
      <KeysSheet actions={actions} />
      <HistoryDrawer />
      <NewThemeDialog />
      <RenameDialog />
      <DeleteDialog />
      <DeletedThemes />
    </>
  );
}
