import { Button, NativeSelect, TextInput } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate, useSearch } from "@tanstack/react-router";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useMemo, useRef, useState } from "react";
import { familyQuery, type Member } from "../api/family";
import { subscribe } from "../editor/live";
import { PAGE_NAMES, type PageName } from "../proof/pages";
import { counted } from "../ui/counted";
import { type Listed, listed } from "../ui/listed";
import { Mark } from "../ui/Mark";
import { DiffDialog } from "./DiffDialog";
import classes from "./Family.module.css";
import { FamilyRow } from "./FamilyRow";
import { ParentDialog } from "./ParentDialog";

/** What is asked about a theme. */
export type Asked = { about: "child" | "parent" | "differences"; member: Member };

/** Height of a row in px. */
const ROW = 176;

/** Every theme: parents and children, each with pictures of a page painted by its own export. */
export default function FamilyPage() {
  const { page = "timetable", from } = useSearch({ from: "/family" });
  const { data: members } = useQuery(familyQuery);
  const [word, setWord] = useState("");
  const [asked, setAsked] = useState<Asked>();
  const navigate = useNavigate();
  useNews();
  const shown = useMemo(() => fitting(listed(members ?? []), word), [members, word]);
  const back = members?.find((m) => m.slug === from) ?? members?.[0];
  return (
    <div className={classes.page}>
      <header className={classes.head}>
        <span className={classes.name}>
          <Mark tokens={undefined} /> Rhodon
        </span>
        <h1>All themes</h1>
        {members && <span className={classes.count}>{counted(members.length, "theme")}</span>}
        <span className={classes.spacer} />
        <TextInput
          size="xs"
          aria-label="Search themes"
          placeholder="Search by name"
          value={word}
          onChange={(e) => setWord(e.currentTarget.value)}
        />
        <NativeSelect
          size="xs"
          aria-label="Page of the proof"
          data={PAGE_NAMES}
          value={page}
          onChange={(e) =>
            void navigate({
              to: "/family",
              search: (s) => ({ ...s, page: e.currentTarget.value as PageName }),
              replace: true,
            })
          }
        />
        {back && (
          <Button
            size="xs"
            variant="default"
            renderRoot={(props) => (
              <Link to="/themes/$slug/$stage" params={{ slug: back.slug, stage: "stave" }} {...props} />
            )}
          >
            Back to {back.name}
          </Button>
        )}
      </header>
      <Rows shown={shown} page={page} onAsk={setAsked} />
      {members && shown.length === 0 && <p className={classes.none}>No theme is called that.</p>}
      {asked && <Questions asked={asked} members={members ?? []} onDone={() => setAsked(undefined)} />}
    </div>
  );
}

/** Themes that changed elsewhere show as they are now. */
function useNews() {
  const client = useQueryClient();
  useEffect(
    () =>
      subscribe(() => {
        void client.invalidateQueries({ queryKey: familyQuery.queryKey });
        void client.invalidateQueries({ queryKey: ["picture"] });
      }),
    [client],
  );
}

/** Those that are called so, with the parents that they stand under. */
function fitting(all: Listed<Member>[], word: string): Listed<Member>[] {
  const wanted = word.trim().toLowerCase();
  if (wanted === "") return all;
  const stays = new Set<string>();
  const parents = new Map(all.map(({ theme }) => [theme.slug, theme.parent]));
  for (const { theme } of all) {
    if (!`${theme.name} ${theme.slug}`.toLowerCase().includes(wanted)) continue;
    for (let at: string | null | undefined = theme.slug; at && !stays.has(at); at = parents.get(at)) {
      stays.add(at);
    }
  }
  return all.filter(({ theme }) => stays.has(theme.slug));
}

interface RowsProps {
  shown: Listed<Member>[];
  page: PageName;
  onAsk: (asked: Asked) => void;
}

/** The rows near the window; pictures further away are not drawn. */
function Rows({ shown, page, onAsk }: RowsProps) {
  const frame = useRef<HTMLElement>(null);
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW,
    getItemKey: (i) => shown[i]?.theme.slug ?? i,
    overscan: 1,
  });
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by keyboard
    <main ref={frame} className={classes.scroll} tabIndex={0} aria-label="Themes">
      <ul className={classes.rows} style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map((item) => {
          const row = shown[item.index];
          return (
            row && (
              <li
                key={item.key}
                className={classes.row}
                style={{ height: ROW, transform: `translateY(${item.start}px)` }}
              >
                <FamilyRow row={row} page={page} onAsk={onAsk} />
              </li>
            )
          );
        })}
      </ul>
    </main>
  );
}

function Questions({ asked, members, onDone }: { asked: Asked; members: Member[]; onDone: () => void }) {
  const shared = { member: asked.member, members, onDone };
  if (asked.about === "differences") return <DiffDialog {...shared} />;
  return <ParentDialog {...shared} child={asked.about === "child"} />;
}
