import { ActionIcon, useComputedColorScheme } from "@mantine/core";
import { IconMoon, IconSearch, IconSun } from "@tabler/icons-react";
import type { Action } from "./useActions";

interface Props {
  /** What it does, from the list that finder and keys ask too. */
  action: Action | undefined;
  /** Its name, where that depends on how things stand. */
  label?: string;
  disabled?: boolean;
  children: React.ReactNode;
}

/** A thing that can be done, as a small picture that tells its name and its keys. */
export function Tool({ action, label = action?.name ?? "", disabled = false, children }: Props) {
  return (
    <ActionIcon
      variant="subtle"
      color="ink"
      size={28}
      aria-label={label}
      title={action?.keys ? `${label} (${action.keys})` : label}
      disabled={disabled}
      onClick={action?.run}
    >
      {children}
    </ActionIcon>
  );
}

interface OneProps {
  action: Action | undefined;
}

export const FinderTool = ({ action }: OneProps) => (
  <Tool action={action}>
    <IconSearch size={16} stroke={1.6} />
  </Tool>
);

export const KeysTool = ({ action }: OneProps) => (
  <Tool action={action}>
    <b aria-hidden="true">?</b>
  </Tool>
);

export function RoomTool({ action }: OneProps) {
  const isLight = useComputedColorScheme("light") === "light";
  return (
    <Tool action={action} label={isLight ? "Dark room" : "Light room"}>
      {isLight ? <IconMoon size={17} stroke={1.6} /> : <IconSun size={17} stroke={1.6} />}
    </Tool>
  );
}
