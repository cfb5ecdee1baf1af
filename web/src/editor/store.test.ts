// The editor without a browser: changes that are refused, that clash, that nobody takes.
import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { ApiProblem, type Preview, type Problem, type Theme, type ThemeDocument } from "../api/client";
import type { Below } from "../api/family";
import { setBrand, setPin, setScale } from "./edits";
import type { Server } from "./server";
import { createEditor } from "./store";

const DOCUMENT: ThemeDocument = {
  format: 1,
  name: "Tern",
  brand: [
    { name: "Petrol", slug: "petrol", color: "#0f5c7a" },
    { name: "Buoy", slug: "buoy", color: "#e4572e" },
  ],
};

function theme(revision: number, spec = DOCUMENT, label = "created"): Theme {
  return {
    id: "7",
    slug: "tern",
    name: spec.name,
    revision,
    label,
    spec,
    updatedAt: "2026-11-25T00:00:00Z",
    colors: [],
    canUndo: revision > 1,
    canRedo: false,
  };
}

const problem = (type: string, more: Partial<Problem> = {}) =>
  new ApiProblem({ type: `/problems/${type}`, title: type, status: 400, detail: type, ...more });

const PREVIEW = { derived: { scales: [], tokens: [], pairs: [] }, sheets: [] } as unknown as Preview;

/** A server with one theme, that refuses or is away when told to. */
class Fake implements Server {
  theme = theme(1);
  /** What the next writes meet, in order. */
  trouble: (ApiProblem | "lost" | undefined)[] = [];
  previews: ThemeDocument[] = [];
  writes = 0;

  private write(base: Theme, spec: ThemeDocument, label: string): Theme {
    this.writes += 1;
    const met = this.trouble.shift();
    if (met instanceof ApiProblem) throw met;
    if (base.revision !== this.theme.revision) throw problem("stale-revision");
    this.theme = theme(this.theme.revision + 1, spec, label);
    if (met === "lost") throw problem("unreachable");
    return { ...this.theme, preview: PREVIEW };
  }

  /** Somebody else saves. */
  elsewhere(edit: (d: ThemeDocument) => ThemeDocument, label = "theirs") {
    this.theme = theme(this.theme.revision + 1, edit(this.theme.spec), label);
  }

  save = async (base: Theme, spec: ThemeDocument, label: string) => this.write(base, spec, label);
  change = async (base: Theme, _: unknown, label: string) =>
    this.write(base, { ...base.spec, steps: ["1", "2"] }, label);
  step = async (base: Theme, way: "undo" | "redo") => this.write(base, base.spec, way);
  restore = async (base: Theme) => this.write(base, base.spec, "restored");
  load = async (): Promise<Theme | undefined> => this.theme;
  preview = async (spec: ThemeDocument) => {
    this.previews.push(spec);
    return PREVIEW;
  };
  /** What every change does to the themes below. */
  children: Below[] = [];
  below = async () => this.children;
}

function open() {
  const server = new Fake();
  const saved: Theme[] = [];
  const painted: string[][] = [];
  const editor = createEditor(server.theme, server, {
    onSaved: (t) => saved.push(t),
    onSheets: (sheets) => painted.push(sheets),
    later: (update) => update(),
  });
  return { server, editor, saved, painted, state: () => editor.store.getState() };
}

const color = (slug: string, code: string) => (d: ThemeDocument) =>
  setBrand(d, { name: slug, slug }, { color: code });
const turn = (n: number) => (d: ThemeDocument) => setScale(d, "petrol", { turn: n });

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

describe("a change", () => {
  test("is shown at once and saved as one revision", async () => {
    const { editor, state, server } = open();
    const done = editor.commit(color("petrol", "#111111"), "darker");
    expect(state().document.brand?.[0]?.color).toBe("#111111");
    expect(state().status).toBe("saving");
    expect((await done).theme?.revision).toBe(2);
    expect([state().status, state().event, state().theme.revision]).toEqual(["saved", "darker", 2]);
    expect(server.previews).toEqual([]);
  });

  test("that is refused leaves the queue, and never blocks the next one", async () => {
    const { editor, state, server } = open();
    server.trouble = [problem("invalid-theme", { detail: "no role heather.fill" })];
    const first = editor.commit(color("petrol", "#222222"), "refused");
    const second = editor.commit(turn(5), "turned");
    expect((await first).problem?.detail).toBe("no role heather.fill");
    expect((await second).theme?.revision).toBe(2);
    expect(state().document).toEqual({ ...DOCUMENT, scales: { petrol: { turn: 5 } } });
    expect(state().status).toBe("saved");
  });

  test("that no field tells of is told by the wake until the next one is saved", async () => {
    const { editor, state, server } = open();
    server.trouble = [problem("invalid-theme"), problem("invalid-theme")];
    await editor.commit(turn(1), "one");
    expect(state().refused?.label).toBe("one");
    editor.forgetRefusal();
    await editor.commit(turn(2), "two", { atField: true });
    expect(state().refused).toBeUndefined();
  });

  test("made upon one on its way is made upon what that one comes to", async () => {
    const { editor, server } = open();
    void editor.commit((d) => setPin(d, "petrol", "100", "#eeeeee"), "one");
    void editor.commit((d) => setPin(d, "petrol", "200", "#dddddd"), "two");
    await editor.commit(turn(3), "three");
    expect(server.theme.spec.scales?.petrol).toEqual({
      pins: { "100": "#eeeeee", "200": "#dddddd" },
      turn: 3,
    });
    expect(server.theme.revision).toBe(4);
  });

  test("that only the core knows is applied by the server to the document at hand", async () => {
    const { editor, state } = open();
    void editor.commit(turn(3), "turned");
    await editor.change({ do: "remove-brand", brand: "buoy" }, "removed");
    expect(state().document.steps).toEqual(["1", "2"]);
    expect(state().document.scales?.petrol?.turn).toBe(3);
  });
});

describe("a server that is away", () => {
  test("gets a change again until it takes it, and those behind it too", async () => {
    const { editor, state, server } = open();
    server.trouble = [problem("unreachable"), problem("database"), undefined];
    const first = editor.commit(turn(1), "one");
    const second = editor.commit(color("buoy", "#abcdef"), "two");
    await vi.advanceTimersByTimeAsync(10);
    expect([state().status, state().away?.type]).toEqual(["waiting", "/problems/unreachable"]);
    expect(state().document.brand?.[1]?.color).toBe("#abcdef");
    await vi.advanceTimersByTimeAsync(2100);
    expect(state().status).toBe("waiting");
    await vi.advanceTimersByTimeAsync(2100);
    expect([(await first).theme?.revision, (await second).theme?.revision]).toEqual([2, 3]);
    expect(state().status).toBe("saved");
  });

  test("that saved, only that its answer got lost, is not taken for somebody else", async () => {
    const { editor, state, server } = open();
    server.trouble = ["lost"];
    const done = editor.commit(turn(1), "turned");
    await vi.advanceTimersByTimeAsync(2100);
    expect((await done).theme?.revision).toBe(2);
    expect([state().clash, server.theme.revision]).toEqual([undefined, 2]);
  });
});

describe("somebody else", () => {
  test("who decided another thing is kept without a question", async () => {
    const { editor, state, server } = open();
    server.elsewhere(color("buoy", "#00ff00"));
    const { theme: saved } = await editor.commit(color("petrol", "#111111"), "mine");
    expect(saved?.spec.brand?.map((b) => b.color)).toEqual(["#111111", "#00ff00"]);
    expect(state().clash).toBeUndefined();
  });

  test("who decided the same thing is shown, and only that edit is saved on top", async () => {
    const { editor, state, server } = open();
    server.elsewhere((d) => color("buoy", "#00ff00")(color("petrol", "#333333")(d)));
    const done = editor.commit(color("petrol", "#111111"), "mine");
    await vi.advanceTimersByTimeAsync(1);
    expect(state().clash?.conflicts).toEqual([
      { place: "brand/petrol/color", mine: "#111111", theirs: "#333333" },
    ]);
    expect(state().status).toBe("unsaved");
    editor.settle("mine");
    expect((await done).theme?.spec.brand?.map((b) => b.color)).toEqual(["#111111", "#00ff00"]);
    expect(state().status).toBe("saved");
  });

  test("whose side is taken keeps all of it", async () => {
    const { editor, state, server } = open();
    server.elsewhere(color("petrol", "#333333"));
    const done = editor.commit(color("petrol", "#111111"), "mine");
    await vi.advanceTimersByTimeAsync(1);
    editor.settle("theirs");
    expect(await done).toEqual({});
    expect(state().document.brand?.[0]?.color).toBe("#333333");
    expect(server.theme.revision).toBe(2);
  });

  test("who saved is seen here, under a draft too", async () => {
    const { editor, state, server } = open();
    editor.draft(turn(4));
    server.elsewhere(color("buoy", "#00ff00"));
    await editor.look(2);
    expect([state().document.brand?.[1]?.color, state().document.scales?.petrol?.turn]).toEqual([
      "#00ff00",
      4,
    ]);
    expect(state().event).toBe("theirs");
  });

  test("what came in under a draft is asked about where both decide the same", async () => {
    for (const [choice, color0, revision] of [
      ["mine", "#111111", 3],
      ["theirs", "#333333", 2],
    ] as const) {
      const { editor, state, server } = open();
      editor.draft(color("petrol", "#111111"));
      server.elsewhere(color("petrol", "#333333"));
      await editor.look(2);
      const done = editor.commit(color("petrol", "#111111"), "mine");
      await vi.waitFor(() => expect(state().clash?.conflicts[0]?.place).toBe("brand/petrol/color"));
      expect(state().status).toBe("unsaved");
      editor.settle(choice);
      await done;
      expect([state().document.brand?.[0]?.color, server.theme.revision]).toEqual([color0, revision]);
      await vi.waitFor(() => expect(state().status).toBe("saved"));
    }
  });

  test("a draft does not clash with what this window saves before it", async () => {
    const { editor, state, server } = open();
    void editor.commit(turn(1), "first");
    editor.draft(turn(2));
    await vi.waitFor(() => expect(server.theme.revision).toBe(2));
    await editor.commit(turn(2), "second");
    expect([server.theme.revision, state().clash]).toEqual([3, undefined]);
  });

  test("who deleted the theme is told of, and nothing is called saved", async () => {
    const { editor, state, server } = open();
    server.load = async () => undefined;
    await editor.look(0);
    expect(state().status).toBe("deleted");
    server.trouble = [problem("not-found")];
    expect(await editor.commit(turn(1), "lost")).toEqual({});
    expect(state().status).toBe("deleted");
  });

  test("a theme that is brought back elsewhere stands as it was", async () => {
    const { editor, state, server } = open();
    const there = server.load;
    server.load = async () => undefined;
    await editor.look(0);
    expect(state().status).toBe("deleted");
    server.load = there;
    await editor.look(1);
    expect([state().status, state().theme.revision]).toEqual(["saved", 1]);
    expect(await editor.commit(turn(1), "goes on")).toBeDefined();
    expect([state().status, server.theme.revision]).toEqual(["saved", 2]);
  });
});

describe("a draft", () => {
  test("is shown, asked about, and no draft any more where it was", async () => {
    const { editor, state, server } = open();
    editor.draft(turn(4));
    expect([state().status, state().document.scales?.petrol?.turn]).toEqual(["drafting", 4]);
    await vi.advanceTimersByTimeAsync(1);
    expect(server.previews.at(-1)?.scales?.petrol?.turn).toBe(4);
    editor.draft((d) => d);
    expect(state().status).toBe("saved");
    expect(server.writes).toBe(0);
  });
});

test("an undo says what it undid", async () => {
  const { editor, state } = open();
  await editor.commit(turn(1), "turned");
  await editor.undo();
  expect(state().event).toBe("undone: turned");
});

describe("a change of a theme that others extend", () => {
  const child = (unreadable: string[]): Below => ({
    slug: "night",
    name: "Night",
    moved: 12,
    unreadable,
    broken: null,
  });
  const asked = async () => {
    const { editor, server, state } = open();
    server.children = [child(["text.main on surface.base (light)"])];
    const outcome = editor.commit(turn(1), "turned");
    await vi.advanceTimersByTimeAsync(1);
    return { editor, server, state, outcome };
  };

  test("is saved at once where it only moves something", async () => {
    const { editor, server, state } = open();
    server.children = [child([])];
    expect((await editor.commit(turn(1), "turned")).theme?.revision).toBe(2);
    expect(state().held).toBeUndefined();
  });

  test("is held where something becomes unreadable by it, and saved if somebody says so", async () => {
    const { editor, server, state, outcome } = await asked();
    expect([state().held?.label, state().held?.below[0]?.name, server.writes]).toEqual([
      "turned",
      "Night",
      0,
    ]);
    editor.release(true);
    expect((await outcome).theme?.revision).toBe(2);
    expect(state().held).toBeUndefined();
  });

  test("is left, and what comes behind it goes on", async () => {
    const { editor, server, state, outcome } = await asked();
    server.children = [];
    const next = editor.commit(turn(2), "turned on");
    editor.release(false);
    expect(await outcome).toEqual({});
    expect((await next).theme?.spec.scales?.petrol?.turn).toBe(2);
    expect(state().status).toBe("saved");
  });
});

describe("what is dragged", () => {
  test("is asked for first, and shown with its answer", async () => {
    const { editor, state, server } = open();
    const shown: string[] = [];
    editor.dragTo(color("petrol", "#111111"), { drawn: () => shown.push("then") });
    expect(server.previews.at(-1)?.brand?.[0]?.color).toBe("#111111");
    expect(state().document.brand?.[0]?.color).toBe("#0f5c7a");
    expect(shown).toEqual([]);
    await vi.runAllTimersAsync();
    expect(state().document.brand?.[0]?.color).toBe("#111111");
    expect([state().status, shown.length]).toEqual(["drafting", 1]);
    // Where nothing else comes of it there is nothing to wait for.
    editor.dragTo(color("petrol", "#0f5c7a"));
    await vi.runAllTimersAsync();
    expect([state().document.brand?.[0]?.color, state().status]).toEqual(["#0f5c7a", "saved"]);
  });

  test("is painted at once where it has been, and where it goes on", async () => {
    const { editor, server, painted } = open();
    server.preview = async (spec) => {
      server.previews.push(spec);
      return { ...PREVIEW, sheets: [spec.brand?.[0]?.color ?? ""] };
    };
    const at = (code: string) => color("petrol", code);
    editor.dragTo(at("#111111"), { ahead: [at("#333333")] });
    await vi.runAllTimersAsync();
    editor.dragTo(at("#222222"));
    await vi.runAllTimersAsync();
    const asked = server.previews.length;
    editor.dragTo(at("#111111"));
    expect(painted.at(-1)).toEqual(["#111111"]);
    editor.dragTo(at("#333333"));
    expect(painted.at(-1)).toEqual(["#333333"]);
    expect(server.previews.length).toBe(asked);
    // What was asked for before comes too late.
    editor.dragTo(at("#444444"));
    editor.dragTo(at("#222222"));
    await vi.runAllTimersAsync();
    expect(painted.at(-1)).toEqual(["#222222"]);
  });

  test("is shown though nobody answers, and let go of when it is saved", async () => {
    const { editor, state, server } = open();
    server.preview = async () => {
      throw problem("unreachable");
    };
    editor.dragTo(color("petrol", "#111111"));
    await vi.runAllTimersAsync();
    expect(state().document.brand?.[0]?.color).toBe("#111111");
    editor.dragTo(color("petrol", "#222222"));
    const done = editor.commit(color("petrol", "#222222"), "darker");
    expect((await done).theme?.revision).toBe(2);
    await vi.runAllTimersAsync();
    expect([state().document.brand?.[0]?.color, state().status]).toEqual(["#222222", "saved"]);
  });
});
