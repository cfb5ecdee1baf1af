import { create } from "zustand";
import { focusBench } from "../ui/focusBench";

/** What lies over the frame, one at a time. */
export type DialogName =
  | "folder"
  | "history"
  | "new"
  | "name"
  | "delete"
  | "deleted"
  | "finder"
  | "keys"
  | "own";

interface Dialogs {
  opened: DialogName | undefined;
}

export const useDialogs = create<Dialogs>(() => ({ opened: undefined }));

export const dialogs = {
  open: (opened: DialogName) => useDialogs.setState({ opened }),
  close: () => {
    useDialogs.setState({ opened: undefined });
    // Who came by the finder has nothing behind to go back to.
    setTimeout(focusBench, 60);
  },
};

/** Whether a dialog is open, and the way to close it. */
export function useDialog(name: DialogName) {
  const opened = useDialogs((s) => s.opened === name);
  return { opened, onClose: dialogs.close };
}
