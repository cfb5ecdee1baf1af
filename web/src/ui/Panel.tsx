import type { FloatingPosition } from "@mantine/core";
import { type ReactNode, useRef, useState } from "react";
import { later } from "./later";

export interface PanelProps {
  /** The control that it opens beside. */
  at: HTMLElement | null;
  /** What it is, to who does not see it. */
  label: string;
  /** In px. */
  width: number;
  position?: FloatingPosition;
  withArrow?: boolean;
  onClose: () => void;
  children: ReactNode;
}

/**
 * What opens beside a control and has the keys until it is closed. It is drawn only while it is open, and
 * what it is made of is fetched with the first one.
 */
export const Panel = later<PanelProps>(() => import("./PanelShell").then((m) => m.PanelShell));

/** A control and the panel that it opens and closes: what goes to the control, and whether the panel is drawn. */
export function usePanel() {
  const control = useRef<HTMLButtonElement>(null);
  const [opened, setOpened] = useState(false);
  const toggle = { ref: control, onClick: () => setOpened(!opened), ...opens(opened) };
  return { opened, toggle, panel: { at: control.current, onClose: () => setOpened(false) } };
}

/** What a control says of the panel that it opens. */
export const opens = (opened: boolean) => ({ "aria-haspopup": "dialog", "aria-expanded": opened }) as const;
