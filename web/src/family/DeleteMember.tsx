import { useNavigate } from "@tanstack/react-router";
import { DeleteQuestion } from "../shell/DeleteDialog";
import { useThemeActions } from "../shell/useThemeActions";
import type { Asked } from "./view";

/** Asks before a theme of the family goes; one stays with those that are left. */
export function DeleteMember({ member, members, onDone }: Asked) {
  const navigate = useNavigate();
  const { remove } = useThemeActions();
  const stay = () => {
    if (members.length < 2) return navigate({ to: "/" });
    return navigate({
      to: "/family",
      search: ({ page, from }) => ({ page, from: from === member.slug ? undefined : from }),
    });
  };
  return (
    <DeleteQuestion
      theme={member}
      opened
      onClose={onDone}
      onDelete={(children) => remove(member.slug, children, stay)}
    />
  );
}
