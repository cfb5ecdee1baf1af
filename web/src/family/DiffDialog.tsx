import { Button, Modal, NativeSelect, Text, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { refusalIn } from "../api/client";
import { differences, type Member } from "../api/family";
import { counted } from "../ui/counted";
import { listed } from "../ui/listed";
import { WakeList } from "../ui/WakeList";
import classes from "./Family.module.css";

interface Props {
  member: Member;
  members: Member[];
  onDone: () => void;
}

/** Two themes side by side, token by token. */
export function DiffDialog({ member, members, onDone }: Props) {
  const others = listed(members).filter(({ theme }) => theme.slug !== member.slug);
  const [other, setOther] = useState(member.parent ?? others[0]?.theme.slug ?? "");
  const [word, setWord] = useState("");
  const { data, error } = useQuery({
    queryKey: ["differences", other, member.slug, member.revision],
    queryFn: () => differences(other, member.slug),
    enabled: other !== "",
  });
  const all = data?.changes ?? [];
  const wanted = word.trim().toLowerCase();
  const changes = all.filter((c) =>
    `${c.path} ${c.mode} ${c.before} ${c.after}`.toLowerCase().includes(wanted),
  );
  const download = () => {
    const text = JSON.stringify({ changes: all }, null, 2);
    const link = document.createElement("a");
    link.href = URL.createObjectURL(new Blob([text], { type: "application/json" }));
    link.download = `${other}-to-${member.slug}.json`;
    link.click();
    URL.revokeObjectURL(link.href);
  };
  return (
    <Modal opened onClose={onDone} title={`${member.name} side by side`} size="xl">
      <div className={classes.search}>
        <NativeSelect
          label="Before"
          data={others.map(({ theme, depth }) => ({
            value: theme.slug,
            label: `${"  ".repeat(depth)}${theme.name}`,
          }))}
          value={other}
          data-autofocus
          onChange={(e) => setOther(e.currentTarget.value)}
        />
        <TextInput
          label="Search"
          placeholder="path, mode or code"
          value={word}
          onChange={(e) => setWord(e.currentTarget.value)}
        />
        <Button variant="default" disabled={all.length === 0} onClick={download}>
          Download JSON
        </Button>
      </div>
      {error && <Text c="red">{refusalIn(error)}</Text>}
      {data && (
        <Text size="sm" mb="xs">
          {all.length === 0
            ? "Every value is the same."
            : `${counted(all.length, "value")} differ${all.length === 1 ? "s" : ""}${
                changes.length < all.length ? `, ${changes.length} shown` : ""
              }.`}
        </Text>
      )}
      <div className={classes.differences}>{changes.length > 0 && <WakeList changes={changes} />}</div>
    </Modal>
  );
}
