import type { ModalProps } from "@mantine/core";
import { later, useAsked } from "./later";

const Shell = later(() => import("./DialogShell").then((m) => m.DialogShell));

/** A dialog over the frame. What dialogs are made of is fetched with the first one that opens. */
export function Dialog(props: ModalProps) {
  return useAsked(props.opened) ? <Shell {...props} /> : null;
}
