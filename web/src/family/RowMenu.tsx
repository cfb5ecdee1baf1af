import { ActionIcon, Menu } from "@mantine/core";
import { IconDots } from "@tabler/icons-react";
import { useEffect, useRef, useState } from "react";
import type { Member } from "../api/family";
import { useThemeActions } from "../shell/useThemeActions";
import type { Question } from "./view";

interface Props {
  member: Member;
  onAsk: (about: Question, of: string) => void;
}

/** What can be done with a theme. The menu is made when somebody calls it: rows come and go while one scrolls. */
export function RowMenu({ member, onAsk }: Props) {
  const [called, setCalled] = useState(false);
  const [opened, setOpened] = useState(false);
  const { duplicate } = useThemeActions();
  const target = useRef<HTMLButtonElement>(null);
  // It opens once it is there, from a button that has the focus: that is where it leads back to.
  useEffect(() => {
    if (!called) return;
    target.current?.focus();
    setOpened(true);
  }, [called]);
  const button = {
    variant: "subtle",
    color: "ink",
    "aria-label": `What to do with ${member.name}`,
    children: <IconDots size={16} />,
  } as const;
  if (!called)
    return (
      <ActionIcon {...button} aria-haspopup="menu" aria-expanded={false} onClick={() => setCalled(true)} />
    );
  return (
    <Menu position="bottom-end" opened={opened} onChange={setOpened} returnFocus>
      <Menu.Target>
        <ActionIcon {...button} ref={target} />
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
