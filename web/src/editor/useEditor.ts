import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { answer, api, type Preview, type Problem, problemOf, type Spec, type Theme } from "../api/client";
import { themeQuery, themesQuery } from "../api/queries";
import { alike, derivesAlike, type Edit } from "./edits";
import { hearOf } from "./live";
import { usePreview } from "./usePreview";

/** A write that met somebody else's. */
export interface Clash {
  mine: Spec;
  label: string;
  problem: Problem;
}

export interface Editor {
  theme: Theme;
  /** What is shown: the saved document, or a draft of it. */
  spec: Spec;
  preview: Preview | undefined;
  /** The document before the last change that was saved in this window. */
  before: Spec | undefined;
  /** Why the shown document cannot be derived or saved; the preview is then the last good one. */
  problem: Problem | undefined;
  saving: boolean;
  clash: Clash | undefined;
  /** Shows a change without saving it, in the place of the one that was shown before. */
  draft: (edit: Edit) => void;
  /** Saves a change as one revision, on top of those that are still on their way. */
  commit: (edit: Edit, label: string) => Promise<Theme | undefined>;
  /** Back to the document without the change that is only shown. */
  discard: () => void;
  undo: () => void;
  redo: () => void;
  /** Saves an earlier revision's document as a new one. */
  restore: (revision: number) => void;
  settle: (choice: "mine" | "theirs") => void;
}

/** Where this window stands, ahead of what is rendered yet. */
interface Standing {
  /** The document with every change that was committed, be it saved, on its way or refused. */
  committed: Spec;
  /** How many changes were committed. */
  commits: number;
  /** Whether a draft upon the committed document is shown. */
  drafted: boolean;
}

/** What a revision changed, as long as the server keeps it. */
const shortened = (label: string) => {
  const letters = [...label];
  return letters.length > MAX_LABEL ? `${letters.slice(0, MAX_LABEL - 1).join("")}…` : label;
};
const MAX_LABEL = 300;

/** Refusals that only say that nobody was there to take a change. */
const AWAY = ["/problems/unreachable", "/problems/database"];
/** How long a change waits before it is sent again, in ms. */
const AGAIN = 2000;

const ifMatch = (revision: number) => ({ "If-Match": `"${revision}"` });

/** Saves a document. One that was saved before, only that the answer got lost, is not saved twice. */
async function put(current: Theme, spec: Spec, label: string): Promise<Theme> {
  const path = { slug: current.slug };
  const header = ifMatch(current.revision);
  try {
    return await answer(api.PUT("/api/themes/{slug}", { params: { path, header }, body: { spec, label } }));
  } catch (error) {
    const theirs = problemOf(error).current;
    const mine = theirs?.label === label && theirs.revision === current.revision + 1;
    if (!mine) throw error;
    return answer(api.GET("/api/themes/{slug}", { params: { path } }));
  }
}

export function useEditor(loaded: Theme, onRenamed: (slug: string) => void): Editor {
  const client = useQueryClient();
  const [theme, setTheme] = useState(loaded);
  const [draft, setDraft] = useState<Spec>();
  const { preview, problem: doubt, ask, isAsked, nothingMoved } = usePreview(loaded.spec);
  const [before, setBefore] = useState<Spec>();
  /** Why the last change was not saved. */
  const [refusal, setRefusal] = useState<Problem>();
  const [saving, setSaving] = useState(false);
  const [clash, setClash] = useState<Clash>();
  const saved = useRef(loaded);
  const standing = useRef<Standing>({ committed: loaded.spec, commits: 0, drafted: false });
  /** What the changes that nobody took say they are. */
  const unsent = useRef<string>(undefined);
  const queue = useRef<Promise<unknown>>(Promise.resolve());

  useEffect(() => ask(saved.current.spec), [ask]);

  const show = useCallback(
    (spec: Spec) => {
      setDraft(spec);
      // What a change moved is told once it is saved: a draft only has to be fast.
      if (!isAsked(spec)) ask(spec);
    },
    [ask, isAsked],
  );

  /** Takes a theme as it was saved after so many commits; what was changed since is not taken away. */
  const take = useCallback(
    (next: Theme, commits: number) => {
      const before = saved.current;
      saved.current = next;
      setTheme(next);
      const last = standing.current.commits === commits;
      if (last) {
        standing.current.committed = next.spec;
        unsent.current = undefined;
      }
      const settled = last && !standing.current.drafted;
      if (settled) {
        setDraft(undefined);
        setRefusal(undefined);
      }
      setBefore(before.spec);
      client.setQueryData(themeQuery(next.slug).queryKey, next);
      void client.invalidateQueries({ queryKey: themesQuery.queryKey });
      if (derivesAlike(next.spec, before.spec) && isAsked(next.spec)) nothingMoved();
      else if (settled) ask(next.spec, before.spec);
      if (next.slug !== before.slug) onRenamed(next.slug);
      return next;
    },
    [client, onRenamed, ask, isAsked, nothingMoved],
  );

  /** Writes go one after the other, each on the revision that the one before it made. */
  const write = useCallback(
    (send: (current: Theme) => Promise<Theme>, onRefused?: (problem: Problem) => void) => {
      const { commits } = standing.current;
      const job = async () => {
        setSaving(true);
        try {
          return take(await send(saved.current), commits);
        } catch (error) {
          const found = problemOf(error);
          onRefused?.(found);
          if (!["/problems/nothing-to-do", "/problems/stale-revision"].includes(found.type))
            setRefusal(found);
          return undefined;
        } finally {
          setSaving(false);
        }
      };
      const result = queue.current.then(job);
      queue.current = result;
      return result;
    },
    [take],
  );

  const commit = useCallback(
    (edit: Edit, label: string) => {
      const { committed, commits } = standing.current;
      const spec = edit(committed);
      standing.current = { committed: spec, commits: commits + 1, drafted: false };
      show(spec);
      // What could not be sent before goes along.
      const told = shortened([unsent.current, label].filter(Boolean).join("; "));
      unsent.current = undefined;
      return write(
        (current) => put(current, spec, told),
        (found) => {
          if (AWAY.includes(found.type)) unsent.current = told;
          if (found.type === "/problems/stale-revision")
            setClash({ mine: spec, label: told, problem: found });
        },
      );
    },
    [show, write],
  );

  useEffect(() => {
    if (!refusal || !AWAY.includes(refusal.type) || unsent.current === undefined) return;
    const timer = setTimeout(() => void commit((same) => same, ""), AGAIN);
    return () => clearTimeout(timer);
  }, [refusal, commit]);

  const step = useCallback(
    (way: "undo" | "redo") =>
      void write((current) =>
        answer(
          api.POST(`/api/themes/{slug}/${way}`, {
            params: { path: { slug: current.slug }, header: ifMatch(current.revision) },
          }),
        ),
      ),
    [write],
  );

  const restore = useCallback(
    (revision: number) =>
      void write((current) =>
        answer(
          api.POST("/api/themes/{slug}/revisions/{revision}/restore", {
            params: { path: { slug: current.slug, revision }, header: ifMatch(current.revision) },
          }),
        ),
      ),
    [write],
  );

  const drafting = draft !== undefined;
  useEffect(
    () =>
      hearOf(saved.current.id, (revision) => {
        // A draft is not taken away: saving it will show both sides.
        if (revision === 0 || revision === saved.current.revision || drafting) return;
        void answer(api.GET("/api/themes/{slug}", { params: { path: { slug: saved.current.slug } } })).then(
          (theirs) => {
            if (theirs.revision !== saved.current.revision) take(theirs, standing.current.commits);
          },
          () => undefined,
        );
      }),
    [drafting, take],
  );

  const kept = draft === undefined && !saving;
  useEffect(() => {
    if (kept) return;
    // What only this window has would be lost with it: the browser asks first.
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [kept]);

  const discard = useCallback(() => {
    const { committed } = standing.current;
    standing.current.drafted = false;
    setDraft(committed === saved.current.spec ? undefined : committed);
    ask(committed);
  }, [ask]);

  const drawDraft = useCallback(
    (edit: Edit) => {
      const spec = edit(standing.current.committed);
      // Moved back to where it was, it is no draft any more.
      if (alike(spec, standing.current.committed)) return discard();
      standing.current.drafted = true;
      show(spec);
    },
    [show, discard],
  );

  const settle = useCallback(
    (choice: "mine" | "theirs") => {
      const open = clash;
      setClash(undefined);
      if (!open) return;
      standing.current.drafted = false;
      void answer(api.GET("/api/themes/{slug}", { params: { path: { slug: saved.current.slug } } })).then(
        (theirs) => {
          take(theirs, standing.current.commits);
          if (choice === "mine") void commit(() => open.mine, open.label);
        },
        (error) => setRefusal(problemOf(error)),
      );
    },
    [clash, commit, take],
  );

  return {
    theme,
    spec: draft ?? theme.spec,
    preview,
    before,
    problem: refusal ?? doubt,
    saving,
    clash,
    draft: drawDraft,
    commit,
    discard,
    undo: () => step("undo"),
    redo: () => step("redo"),
    restore,
    settle,
  };
}
