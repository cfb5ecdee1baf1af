import { TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import type { Target } from "../../api/client";
import { vocabularyQuery } from "../../api/queries";
import { landing } from "../../ui/arrive";
import { Tick } from "../../ui/Tick";
import { useList } from "../../ui/useList";
import classes from "./HandoffStage.module.css";
import { hit } from "./search";

interface Props {
  targets: Target[];
  open: string;
  chosen: string[];
  onOpen: (id: string) => void;
  onChoose: (ids: string[], on: boolean) => void;
}

/** The targets by kind, found by name, file ending or a key in their files. */
export function TargetList({ targets, open, chosen, onOpen, onChoose }: Props) {
  const [words, setWords] = useState("");
  const { data } = useQuery(vocabularyQuery);
  const list = useList<HTMLElement>({ each: "[data-target]" });
  const shown = list.ref;
  const isListed = data !== undefined;
  // An address may open one further down.
  useEffect(() => {
    const entry = shown.current?.querySelector(`[data-target="${CSS.escape(open)}"]`);
    if (!isListed || !entry) return;
    // Told once the page is laid out anyway: asking for it here would lay it out once more.
    const seen = new IntersectionObserver(([at]) => {
      seen.disconnect();
      if (at && at.intersectionRatio < 1) entry.scrollIntoView({ block: "nearest" });
    });
    seen.observe(entry);
    return () => seen.disconnect();
  }, [open, isListed, shown]);
  const groups = data?.groups ?? [];
  const found = targets.flatMap((target) => {
    const where = hit(target, words);
    return where === undefined ? [] : [{ target, where }];
  });
  return (
    <div className={classes.list}>
      <TextInput
        size="xs"
        type="search"
        aria-label="Find a target"
        placeholder="find: scss, colors.xml"
        value={words}
        onChange={(e) => setWords(e.currentTarget.value)}
        onKeyDown={(e) => e.key === "Enter" && found[0] && onOpen(found[0].target.id)}
      />
      <nav className={classes.targets} aria-label="Targets" {...list}>
        {groups.map(({ id, name: title }) => {
          const members = found.filter(({ target }) => target.group === id);
          if (members.length === 0) return null;
          return (
            <section key={id} aria-label={title}>
              <h2>{title}</h2>
              {members.map(({ target, where }) => (
                <div
                  key={target.id}
                  data-target={target.id}
                  className={classes.entry}
                  data-open={target.id === open || undefined}
                >
                  <Tick
                    aria-label={`${target.name} in the archive`}
                    checked={chosen.includes(target.id)}
                    onTick={(on) => onChoose([target.id], on)}
                  />
                  <button
                    type="button"
                    {...landing("target", target.id)}
                    aria-current={target.id === open ? "true" : undefined}
                    onClick={() => onOpen(target.id)}
                  >
                    {target.name}
                    <small>{words.trim() && where !== target.name ? where : target.files[0]}</small>
                  </button>
                </div>
              ))}
            </section>
          );
        })}
        {found.length === 0 && (
          <p className={classes.none}>No target has “{words.trim()}” in its name or files.</p>
        )}
      </nav>
    </div>
  );
}
