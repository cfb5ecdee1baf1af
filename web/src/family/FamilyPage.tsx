import { Button, NativeSelect, TextInput } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useLoaderData, useNavigate, useSearch } from "@tanstack/react-router";
import { useVirtualizer } from "@tanstack/react-virtual";
import { type ComponentType, type ReactNode, useEffect, useMemo, useRef, useState } from "react";
import type { Theme } from "../api/client";
import { familyQuery, type Member } from "../api/family";
import { EditorProvider } from "../editor/EditorProvider";
import { subscribe } from "../editor/live";
import { PAGE_NAMES, type PageName } from "../proof/pages";
import { Commands } from "../shell/Commands";
import { dialogs } from "../shell/dialogs";
import { FileDrop } from "../shell/FileDrop";
import { FinderTool, KeysTool, RoomTool } from "../shell/Tool";
import { type Action, useActions } from "../shell/useActions";
import { counted } from "../ui/counted";
import { later } from "../ui/later";
import { type Listed, listed } from "../ui/listed";
import { Named } from "../ui/Named";
import classes from "./Family.module.css";
import { FamilyRow } from "./FamilyRow";
import { type Asked, isQuestion, type Question } from "./view";

/** Height of a row in px. */
const ROW = 176;

/** Every theme, with keys and the finder, which lead back to the one that one came from. */
export default function FamilyPage() {
  const theme = useLoaderData({ from: "/family" });
  return (
    <>
      {theme ? <Near key={theme.id} theme={theme} /> : <Family />}
      <FileDrop />
    </>
  );
}

function Near({ theme }: { theme: Theme }) {
  const navigate = useNavigate();
  const onRenamed = (from: string) =>
    void navigate({ to: "/family", search: (s) => ({ ...s, from }), replace: true });
  return (
    <EditorProvider theme={theme} onRenamed={onRenamed}>
      <Family tools={<Tools />} />
      <Commands fits={isOfAll} />
    </EditorProvider>
  );
}

/** Finder, keys and room, as on a theme's bench. */
function Tools() {
  const actions = useActions();
  const act = (id: string) => actions.find((action) => action.id === id);
  return (
    <div className={classes.tools}>
      <FinderTool action={act("finder")} />
      <KeysTool action={act("keys")} />
      <RoomTool action={act("room")} />
    </div>
  );
}

/** Whether an action is not about one theme's bench or proof. */
const isOfAll = ({ id, group }: Action) =>
  group === "Go to" || group === "Rhodon" || id === "new" || id === "deleted" || isQuestion(id);

/** Parents and children, each with pictures of a page painted by its own export. */
function Family({ tools }: { tools?: ReactNode }) {
  const { page = "timetable", from, about, of } = useSearch({ from: "/family" });
  const { data: members } = useQuery(familyQuery);
  const [word, setWord] = useState("");
  const navigate = useNavigate();
  const ask = (about?: Question, of?: string) =>
    void navigate({ to: "/family", search: (s) => ({ ...s, about, of }), replace: true });
  useNews();
  const shown = useMemo(() => fitting(listed(members ?? []), word), [members, word]);
  const back = members?.find((m) => m.slug === from) ?? members?.[0];
  const member = members?.find((m) => m.slug === of);
  return (
    <div className={classes.page}>
      <header className={classes.head}>
        <Named />
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
          <>
            <Button size="xs" variant="default" onClick={() => dialogs.open("new")}>
              New theme …
            </Button>
            <Button
              size="xs"
              variant="default"
              renderRoot={(props) => (
                <Link to="/themes/$slug/$stage" params={{ slug: back.slug, stage: "stave" }} {...props} />
              )}
            >
              Back to {back.name}
            </Button>
          </>
        )}
        {tools}
      </header>
      <Rows shown={shown} page={page} onAsk={ask} />
      {members && shown.length === 0 && <p className={classes.none}>No theme is called that.</p>}
      {about && member && (
        <Answer about={about} member={member} members={members ?? []} onDone={() => ask()} />
      )}
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
  onAsk: (about: Question, of: string) => void;
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
    // Rows are drawn after the scroll itself, not within it.
    useFlushSync: false,
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

/** Each question and what asks it, fetched when it is asked. */
const ASKING: Record<Question, ComponentType<Asked>> = {
  child: later(() => import("./NewChild").then((m) => m.NewChild)),
  parent: later(() => import("./ParentDialog").then((m) => m.ParentDialog)),
  differences: later(() => import("./DiffDialog").then((m) => m.DiffDialog)),
  delete: later(() => import("./DeleteMember").then((m) => m.DeleteMember)),
};

function Answer({ about, ...asked }: Asked & { about: Question }) {
  const Asking = ASKING[about];
  return <Asking {...asked} />;
}
