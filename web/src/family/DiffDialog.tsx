import { Button, Modal, NativeSelect, Text, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { refusalIn } from "../api/client";
import { type Change, differences } from "../api/family";
import { counted } from "../ui/counted";
import { listed } from "../ui/listed";
import { countMoved } from "../ui/moved";
import { WakeList } from "../ui/WakeList";
import classes from "./Family.module.css";
import type { Asked } from "./view";

/** Two themes side by side, token by token. */
export function DiffDialog({ member, members, onDone }: Asked) {
  const others = listed(members).filter(({ theme }) => theme.slug !== member.slug);
  const [other, setOther] = useState(member.parent ?? others[0]?.theme.slug ?? "");
  const [word, setWord] = useState("");
  const [mode, setMode] = useState("");
  const { data, error } = useQuery({
    queryKey: ["differences", other, member.slug, member.revision],
    queryFn: () => differences(other, member.slug),
    enabled: other !== "",
  });
  const all = data ?? { changes: [], more: [] };
  const count = countMoved(all);
  const wanted = word.trim().toLowerCase();
  const fits = (c: Change) =>
    (mode === "" || c.mode === mode || !c.mode) &&
    `${c.path} ${c.mode} ${c.before} ${c.after}`.toLowerCase().includes(wanted);
  const shown = { changes: all.changes.filter(fits), more: all.more.filter(fits) };
  const download = () => {
    const text = JSON.stringify(all, null, 2);
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
        <NativeSelect
          label="Mode"
          data={[
            { value: "", label: "both" },
            { value: "light", label: "light" },
            { value: "dark", label: "dark" },
          ]}
          value={mode}
          onChange={(e) => setMode(e.currentTarget.value)}
        />
        <TextInput
          label="Search"
          placeholder="path or code"
          value={word}
          onChange={(e) => setWord(e.currentTarget.value)}
        />
        <Button variant="default" disabled={count === 0} onClick={download}>
          Download JSON
        </Button>
      </div>
      {error && <Text c="red">{refusalIn(error)}</Text>}
      {data && (
        <Text size="sm" mb="xs">
          {count === 0
            ? "Every value is the same."
            : `${counted(count, "value")} differ${count === 1 ? "s" : ""}${
                countMoved(shown) < count ? `, ${countMoved(shown)} shown` : ""
              }.`}
        </Text>
      )}
      <div className={classes.differences}>{countMoved(shown) > 0 && <WakeList {...shown} />}</div>
    </Modal>
  );
}
