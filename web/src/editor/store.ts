import { replaceEqualDeep } from "@tanstack/react-query";
import { createStore } from "zustand/vanilla";
import {
  type Change,
  type Preview,
  type Problem,
  problemOf,
  type Theme,
  type ThemeDocument,
} from "../api/client";
import { type Conflict, conflicts, decidesSame } from "./decisions";
import { Dragged } from "./dragged";
import { derivesSame, type Edit, sameDocument } from "./edits";
import { LatestOnly } from "./latestOnly";
import { question } from "./question";
import type { Server } from "./server";
import type { CommitOptions, EditorState, Outcome } from "./state";

type Job = { label: string; told: boolean; done: (outcome: Outcome) => void } & (
  | { kind: "edit"; edit: Edit; topic?: string; seen: ThemeDocument | undefined; weighed?: boolean }
  | { kind: "change"; change: Change }
  | { kind: "move"; send: (theme: Theme) => Promise<Theme>; event: (before: Theme, after: Theme) => string }
);

/** What the rest of the application does with news of the editor. */
export interface Surroundings {
  onSaved: (theme: Theme, before: Theme) => void;
  onSheets: (sheets: string[]) => void;
  /** Runs an update of the screen once the proof is painted. */
  later: (update: () => void) => void;
}

/** How long a change waits before it is sent again, in ms. */
const AGAIN = 2000;
const MAX_LABEL = 300;
/** How many tokens a theme may have for its answers to be kept while something is dragged: more take too long to read ahead. */
const MOST_FORESEEN = 600;

const shortened = (label: string) => {
  const letters = [...label];
  return letters.length > MAX_LABEL ? `${letters.slice(0, MAX_LABEL - 1).join("")}…` : label;
};
const isAway = (problem: Problem) =>
  ["/problems/unreachable", "/problems/database", "/problems/busy"].includes(problem.type);
const is = (problem: Problem, kind: string) => problem.type === `/problems/${kind}`;

export type Editor = ReturnType<typeof createEditor>;

/**
 * The document of one theme, the changes on their way to the server, and one draft. Changes are
 * functions of a document: they are made upon whatever is current when their turn comes. One that is
 * refused leaves the queue, and the others go on; one that nobody took is sent again.
 */
export function createEditor(loaded: Theme, server: Server, around: Surroundings) {
  const store = createStore<EditorState>(() => ({
    theme: loaded,
    document: loaded.spec,
    preview: undefined,
    before: undefined,
    status: "saved",
    event: loaded.label,
    doubt: undefined,
    away: undefined,
    refused: undefined,
    clash: undefined,
    held: undefined,
  }));
  const { getState: now, setState: set } = store;
  let queue: Job[] = [];
  let draft: Edit | undefined;
  /** The document that the draft was begun on: what came in from elsewhere since, nobody agreed to. */
  let drawnOn: ThemeDocument | undefined;
  let running = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const held = question<boolean>();
  const clash = question<"mine" | "theirs">();
  let asked: ThemeDocument | undefined;
  /** Shows what was dragged to, where only the proof is asked for it so far. */
  let behind: (() => void) | undefined;

  const previews = new LatestOnly<{ spec: ThemeDocument; before: ThemeDocument | undefined }, Preview>(
    ({ spec, before }) => server.preview(spec, before),
    ({ spec }, found) => {
      dragged.keep(spec, found);
      showPreview(found);
    },
    (_, error) => {
      set({ doubt: problemOf(error) });
      catchUp();
    },
  );

  const dragged = new Dragged<Preview>((spec) => server.preview(spec));

  /** What the screens do not show yet is shown. */
  function catchUp() {
    const late = behind;
    behind = undefined;
    late?.();
  }

  function showPreview(found: Preview) {
    around.onSheets(found.sheets);
    // What did not change keeps its identity, so that only its readers are drawn anew.
    around.later(() => {
      set((s) => ({ preview: replaceEqualDeep(s.preview, found), doubt: undefined }));
      catchUp();
      dragged.drawn();
    });
  }

  function ask(spec: ThemeDocument, before?: ThemeDocument) {
    asked = spec;
    const known = dragged.find(spec);
    if (!known) return previews.push({ spec, before });
    previews.overtake();
    showPreview(known);
  }

  /** The saved document with the edits that are on their way. What the server applies shows later. */
  function committed(): ThemeDocument {
    const apply = (document: ThemeDocument, job: Job) =>
      job.kind === "edit" ? job.edit(document) : document;
    return queue.reduce(apply, now().theme.spec);
  }

  /** What there is to show. */
  function shown(): ThemeDocument {
    const base = committed();
    return draft ? draft(base) : base;
  }

  /** Asks what a document comes to; whether that was not known. */
  function inquire(document: ThemeDocument): boolean {
    if (asked !== undefined && derivesSame(document, asked)) return false;
    ask(document);
    return true;
  }

  /** Shows what there is to show, together with how it stands. */
  function show(askToo = true) {
    const document = shown();
    set({ document, status: standing() });
    if (askToo) inquire(document);
  }

  /** Takes a change as the draft. Moved back to where it was, it is no draft any more. */
  function put(edit: Edit) {
    const base = committed();
    if (!draft) drawnOn = base;
    draft = sameDocument(edit(base), base) ? undefined : edit;
  }

  function standing(): EditorState["status"] {
    const { clash, status } = now();
    if (status === "deleted") return status;
    if (clash) return "unsaved";
    if (timer) return "waiting";
    if (queue.length > 0) return "saving";
    return draft ? "drafting" : "saved";
  }

  const status = () => set({ status: standing() });

  /** Takes a theme as the server has it now. */
  function adopt(next: Theme, event?: string) {
    const before = now().theme;
    const { preview, ...theme } = next;
    dragged.end();
    set({ theme: replaceEqualDeep(before, theme) as Theme, away: undefined });
    if (event !== undefined) set({ event, before: before.spec, refused: undefined });
    around.onSaved(theme, before);
    const settled = queue.length === 0 && !draft;
    if (preview && settled) {
      asked = theme.spec;
      showPreview(preview);
      show(false);
    } else if (!derivesSame(theme.spec, before.spec) && settled) {
      ask(theme.spec, before.spec);
      show(false);
    } else show();
  }

  function send(job: Job): Promise<Theme> {
    const { theme } = now();
    if (job.kind === "edit") return server.save(theme, job.edit(theme.spec), job.label, job.topic);
    if (job.kind === "change") return server.change(theme, job.change, job.label);
    return job.send(theme);
  }

  function leave(job: Job, outcome: Outcome) {
    queue = queue.filter((other) => other !== job);
    job.done(outcome);
  }

  async function work() {
    if (running) return;
    running = true;
    status();
    for (let job = queue[0]; job; job = queue[0]) {
      const { theme } = now();
      try {
        if (job.kind === "edit" && !(await agreed(job))) continue;
        if (job.kind === "edit" && !(await fineBelow(job))) continue;
        const saved = await send(job);
        leave(job, { theme: saved });
        if (job.kind === "move" && draft) drawnOn = committed();
        adopt(saved, job.kind === "move" ? job.event(theme, saved) : job.label);
      } catch (error) {
        const problem = problemOf(error);
        if (isAway(problem)) {
          waitFor(problem);
          break;
        }
        if (!(await recover(job, theme, problem))) break;
      }
      status();
    }
    running = false;
    status();
  }

  /** Nobody took it: it is sent again. */
  function waitFor(problem: Problem) {
    set({ away: problem });
    timer = setTimeout(() => {
      timer = undefined;
      void work();
    }, AGAIN);
  }

  /** What to do about a refusal; whether the next job may go on. */
  async function recover(job: Job, sent: Theme, problem: Problem): Promise<boolean> {
    if (is(problem, "stale-revision") || is(problem, "not-found")) {
      try {
        const theirs = await server.load(sent.id, sent.slug);
        if (!theirs) return deleted();
        return await rebase(job, sent, theirs);
      } catch (error) {
        waitFor(problemOf(error));
        return false;
      }
    }
    leave(job, { problem });
    if (!is(problem, "nothing-to-do")) {
      if (!job.told) set({ refused: { label: job.label, problem } });
      show();
    }
    return true;
  }

  /** Somebody else saved in between. Changes of other things are both kept without a question. */
  async function rebase(job: Job, sent: Theme, theirs: Theme): Promise<boolean> {
    if (wasSaved(job, sent, theirs)) {
      leave(job, { theme: theirs });
      adopt(theirs, job.label);
      return true;
    }
    if (job.kind === "move") {
      leave(job, {});
      adopt(theirs, `changed elsewhere: ${theirs.label}`);
      return true;
    }
    const found = job.kind === "edit" ? conflicts(sent.spec, job.edit(sent.spec), theirs.spec) : [];
    const stays = await mineStays(job, theirs, found);
    adopt(theirs, `changed elsewhere: ${theirs.label}`);
    if (!stays) giveWay(job);
    return true;
  }

  /** Whether a change may be made though something came in from elsewhere while it was drafted. */
  async function agreed(job: Job & { kind: "edit" }): Promise<boolean> {
    if (!job.seen) return true;
    const { theme } = now();
    const found = conflicts(job.seen, job.edit(job.seen), theme.spec);
    const stays = await mineStays(job, theme, found);
    job.seen = undefined;
    if (!stays) giveWay(job);
    return stays;
  }

  /** Whether a change may be saved though something below becomes unreadable by it. */
  async function fineBelow(job: Job & { kind: "edit" }): Promise<boolean> {
    if (job.weighed) return true;
    const { theme } = now();
    const found = await server.below(theme, job.edit(theme.spec)).catch((error) => {
      // What cannot be told is no reason not to save; what nobody took is sent again as a whole.
      if (isAway(problemOf(error))) throw error;
      return [];
    });
    const below = found.filter((one) => one.unreadable.length > 0);
    job.weighed = true;
    if (below.length === 0) return true;
    set({ held: { label: job.label, below } });
    const save = await held.asked();
    set({ held: undefined });
    if (!save) giveWay(job);
    return save;
  }

  /** A change of this window gives way to somebody else's. */
  function giveWay(job: Job) {
    draft = undefined;
    queue = queue.filter((other) => other !== job);
    show();
    status();
    job.done({});
  }

  /** Asks whose decision holds where both sides made one. */
  async function mineStays(job: Job, theirs: Theme, found: Conflict[]): Promise<boolean> {
    if (found.length === 0) return true;
    set({ clash: { label: job.label, theirs, conflicts: found } });
    status();
    const choice = await clash.asked();
    set({ clash: undefined });
    return choice === "mine";
  }

  /** The change was saved, only its answer got lost. */
  function wasSaved(job: Job, sent: Theme, theirs: Theme): boolean {
    if (theirs.revision !== sent.revision + 1 || theirs.label !== job.label) return false;
    return job.kind === "change" || (job.kind === "edit" && decidesSame(job.edit(sent.spec), theirs.spec));
  }

  function deleted(): boolean {
    for (const job of queue) job.done({});
    queue = [];
    draft = undefined;
    set({ status: "deleted", clash: undefined });
    return false;
  }

  function enqueue(make: (done: (outcome: Outcome) => void) => Job): Promise<Outcome> {
    return new Promise((resolve) => {
      queue.push(make(resolve));
      void work();
    });
  }

  return {
    store,

    /** Shows a change without saving it, in the place of the one that was shown before. */
    draft(edit: Edit) {
      put(edit);
      show();
    },

    /**
     * The same while something is dragged: the proof comes first, then the screens, and what `drawn` does
     * with them. `ahead` is where it goes on if it moves as it did.
     */
    dragTo(edit: Edit, { drawn = () => {}, ahead = [] }: { drawn?: () => void; ahead?: Edit[] } = {}) {
      put(edit);
      behind = () => {
        show(false);
        drawn();
      };
      if ((now().preview?.derived.tokens.length ?? 0) <= MOST_FORESEEN) {
        const base = committed();
        dragged.on(base);
        dragged.foresee(ahead.map((at) => at(base)));
      }
      if (!inquire(shown())) catchUp();
    },

    /** Back to the document without the change that is only shown. */
    discard() {
      draft = undefined;
      dragged.end();
      show();
    },

    /** Saves a change as one revision, behind those that are on their way. */
    commit(edit: Edit, label: string, options: CommitOptions = {}): Promise<Outcome> {
      const seen = draft && drawnOn;
      draft = undefined;
      dragged.end();
      const { topic, atField = false } = options;
      const alone = queue.length === 0 && !timer;
      const outcome = enqueue((done) => ({
        kind: "edit",
        edit,
        seen,
        label: shortened(label),
        told: atField,
        done,
        ...(topic && { topic }),
      }));
      // Where nothing waits, the answer of the save tells what the document comes to.
      show(!alone);
      return outcome;
    },

    /** Lets the server change the document at hand, by a rule that only the core knows. */
    change(change: Change, label: string, options: CommitOptions = {}): Promise<Outcome> {
      const told = options.atField ?? false;
      return enqueue((done) => ({ kind: "change", change, label: shortened(label), told, done }));
    },

    undo: () => {
      const event = (before: Theme) => `undone: ${before.label}`;
      const send = (theme: Theme) => server.step(theme, "undo");
      return enqueue((done) => ({ kind: "move", send, event, label: "undo", told: false, done }));
    },

    redo: () => {
      const event = (_: Theme, after: Theme) => `redone: ${after.label}`;
      const send = (theme: Theme) => server.step(theme, "redo");
      return enqueue((done) => ({ kind: "move", send, event, label: "redo", told: false, done }));
    },

    /** Saves an earlier revision's document as a new one. */
    restore: (revision: number, keepHandoff: boolean) => {
      const event = (_: Theme, after: Theme) => after.label;
      const send = (theme: Theme) => server.restore(theme, revision, keepHandoff);
      return enqueue((done) => ({ kind: "move", send, event, label: "restore", told: false, done }));
    },

    settle: clash.answer,

    /** Saves a change that was held, or leaves it. */
    release: held.answer,

    /** A refusal that was read. */
    forgetRefusal: () => set({ refused: undefined }),

    /** Looks whether the theme moved elsewhere; `revision` is what somebody told. */
    async look(revision?: number) {
      const { theme, status } = now();
      // One that was deleted comes back as it was.
      const isKnown = revision === theme.revision && status !== "deleted";
      if (running || timer || isKnown) return;
      try {
        const theirs = await server.load(theme.id, theme.slug);
        if (running || timer) return;
        if (!theirs) deleted();
        else {
          if (now().status === "deleted") set({ status: "saved" });
          if (theirs.revision !== now().theme.revision || theirs.slug !== theme.slug)
            adopt(theirs, theirs.label);
        }
      } catch {
        // Nobody answers: the next write tells.
      }
    },

    /** Asks what the document comes to, for the first time. */
    start: () => ask(now().theme.spec),

    stop() {
      dragged.end();
      clearTimeout(timer);
      timer = undefined;
    },
  };
}
