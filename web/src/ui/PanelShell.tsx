import { Popover } from "@mantine/core";
import { Beside, useGiveBack } from "./Beside";
import type { PanelProps } from "./Panel";

/** See `Panel`. */
export function PanelShell({ at, label, width, position, withArrow, onClose, children }: PanelProps) {
  useGiveBack(at);
  return (
    <Popover
      opened
      onChange={(opened) => opened || isAsked() || onClose()}
      width={width}
      position={position ?? "bottom-start"}
      withArrow={withArrow ?? false}
      withRoles={false}
      shadow="md"
      trapFocus
    >
      <Popover.Target>
        <Beside element={at} />
      </Popover.Target>
      <Popover.Dropdown role="dialog" aria-label={label}>
        {children}
      </Popover.Dropdown>
    </Popover>
  );
}

/** Whether something is asked over the panel: what is answered there is not beside it. */
const isAsked = () => document.querySelector("[aria-modal=true]") !== null;
