import { ActionIcon } from "@mantine/core";
import { IconDots } from "@tabler/icons-react";
import { useRef, useState } from "react";
import type { Member } from "../api/family";
import { later } from "../ui/later";
import type { RowMenuListProps } from "./RowMenuList";
import type { Question } from "./view";

const RowMenuList = later<RowMenuListProps>(() => import("./RowMenuList").then((m) => m.RowMenuList));

interface Props {
  member: Member;
  onAsk: (about: Question, of: string) => void;
}

/** What can be done with a theme. The menu is made when somebody calls it: rows come and go while one scrolls. */
export function RowMenu({ member, onAsk }: Props) {
  const button = useRef<HTMLButtonElement>(null);
  const [opened, setOpened] = useState(false);
  return (
    <>
      <ActionIcon
        ref={button}
        variant="subtle"
        color="ink"
        aria-label={`What to do with ${member.name}`}
        aria-haspopup="menu"
        aria-expanded={opened}
        onClick={() => setOpened(!opened)}
        onKeyDown={(e) => {
          // Before the menu has the keys.
          if (e.key === "Escape") setOpened(false);
        }}
      >
        <IconDots size={16} />
      </ActionIcon>
      {opened && (
        <RowMenuList at={button.current} member={member} onAsk={onAsk} onClose={() => setOpened(false)} />
      )}
    </>
  );
}
