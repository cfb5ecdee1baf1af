import { Menu } from "@mantine/core";
import type { Member } from "../api/family";
import { useThemeActions } from "../shell/useThemeActions";
import { Beside, useGiveBack } from "../ui/Beside";
import type { Question } from "./view";

export interface RowMenuListProps {
  /** The button that it opens beside. */
  at: HTMLElement | null;
  member: Member;
  onAsk: (about: Question, of: string) => void;
  onClose: () => void;
}

/** The menu of a theme on the page of all of them. */
export function RowMenuList({ at, member, onAsk, onClose }: RowMenuListProps) {
  useGiveBack(at);
  const { duplicate } = useThemeActions();
  return (
    <Menu position="bottom-end" opened onClose={onClose} withinPortal>
      <Menu.Target>
        <Beside element={at} />
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Item onClick={() => onAsk("child", member.slug)}>New child …</Menu.Item>
        <Menu.Item onClick={() => onAsk("parent", member.slug)}>
          {member.parent ? "Another parent, or none …" : "Give it a parent …"}
        </Menu.Item>
        <Menu.Item onClick={() => onAsk("differences", member.slug)}>Side by side with …</Menu.Item>
        <Menu.Item component="a" href={`/api/themes/${member.slug}/family.zip`} download>
          Archive of it and its children
        </Menu.Item>
        <Menu.Item onClick={() => duplicate(member.slug)}>Duplicate</Menu.Item>
        <Menu.Item onClick={() => onAsk("delete", member.slug)}>Delete …</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
