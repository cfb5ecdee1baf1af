import { useMantineColorScheme } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { type UseNavigateResult, useNavigate } from "@tanstack/react-router";
import { useMemo } from "react";
import type { Vocabulary } from "../api/client";
import { vocabularyQuery } from "../api/queries";
import { workspaceQuery } from "../api/workspace";
import { useEditor, useEditorState } from "../editor/EditorProvider";
import { takeBack } from "../editor/edits";
import { toggleContrast } from "../editor/level";
import { themeOf } from "../editor/selectors";
import type { Editor } from "../editor/store";
import { seeWith } from "../proof/eyes";
import { PAGE_NAMES } from "../proof/pages";
import { toggleShares } from "../proof/shares";
import { AT_MORE } from "../proof/useOther";
import { toggleWide } from "../proof/wide";
import { STAGES } from "../stages";
import { useGoTo } from "../ui/useGoTo";
import { undoOrBringBack } from "./deletion";
import { dialogs } from "./dialogs";
import { useThemeActions } from "./useThemeActions";

/** Something that can be done from anywhere: in the finder by its name, on the sheet by its keys. */
export interface Action {
  id: string;
  group: "Go to" | "Theme" | "Proof" | "Rhodon";
  name: string;
  /** Keys, as `useHotkeys` takes them. */
  hotkeys?: string[];
  /** Keys, as people read them. */
  keys?: string;
  /** Its keys are heard in a field too, where they mean nothing else. */
  inFields?: boolean;
  help?: string;
  /** What else people look for it by. */
  words?: string;
  run: () => void;
}

/** Every action, from the lists that there are. A new one is one entry below. */
export function useActions(): Action[] {
  const editor = useEditor();
  const { slug, canUndo, canRedo } = useEditorState(themeOf);
  const navigate = useNavigate();
  const goTo = useGoTo();
  const { data: vocabulary } = useQuery(vocabularyQuery);
  const { data: workspace } = useQuery(workspaceQuery);
  const themes = useThemeActions();
  const { toggleColorScheme } = useMantineColorScheme();
  const hasFolder = workspace?.folder != null;
  return useMemo(
    () => [
      ...placesOf(slug, goTo, navigate),
      ...stepsOf(editor, canUndo, canRedo),
      ...themeActions(slug, themes.duplicate, hasFolder),
      ...familyActions(slug, navigate),
      ...removals(),
      ...proofActions(navigate),
      ...eyesOf(vocabulary),
      ...pruning(editor),
      ...roomActions(toggleColorScheme),
    ],
    [editor, slug, canUndo, canRedo, navigate, goTo, vocabulary, hasFolder, themes, toggleColorScheme],
  );
}

type GoTo = ReturnType<typeof useGoTo>;
type Navigate = UseNavigateResult<string>;

/** Stages, their parts, and the page of all themes. */
function placesOf(slug: string, goTo: GoTo, navigate: Navigate): Action[] {
  const stages: Action[] = STAGES.map((stage) => ({
    id: `stage-${stage.id}`,
    group: "Go to",
    name: stage.name,
    hotkeys: [stage.hotkey],
    keys: stage.hotkey,
    help: stage.help,
    words: stage.words,
    run: () => goTo(stage.id),
  }));
  const parts: Action[] = STAGES.flatMap((stage) =>
    (stage.parts ?? []).map(({ name, words, view, at }) => ({
      id: `part-${stage.id}-${name}`,
      group: "Go to" as const,
      name: `${stage.name}: ${name}`,
      words,
      run: () => goTo(stage.id, view, at),
    })),
  );
  return [
    ...stages,
    ...parts,
    {
      id: "family",
      group: "Go to",
      name: "All themes",
      hotkeys: ["0"],
      keys: "0",
      help: "the family: every theme with its pictures, parents and children",
      words: "family tree parents children move compare list",
      run: () => void navigate({ to: "/family", search: { from: slug } }),
    },
  ];
}

/** Back and forth between revisions. */
function stepsOf(editor: Editor, canUndo: boolean, canRedo: boolean): Action[] {
  return [
    {
      id: "undo",
      group: "Theme",
      name: "Undo",
      hotkeys: ["mod+Z"],
      keys: "Ctrl Z",
      help: canUndo ? "" : "nothing to undo",
      // Right after a deletion it is the deletion that is undone, never a change of another theme.
      run: () => void undoOrBringBack(editor.undo),
    },
    {
      id: "redo",
      group: "Theme",
      name: "Redo",
      hotkeys: ["mod+shift+Z", "mod+Y"],
      keys: "Ctrl Shift Z",
      help: canRedo ? "" : "nothing to redo",
      run: () => void editor.redo(),
    },
    {
      id: "history",
      group: "Theme",
      name: "Revisions",
      help: "the history: search, name, compare, restore",
      words: "versions earlier saved states label",
      run: () => dialogs.open("history"),
    },
  ];
}

function themeActions(slug: string, duplicate: (slug: string) => void, hasFolder: boolean): Action[] {
  const folder: Action[] = [
    {
      id: "folder",
      group: "Theme",
      name: "The project’s folder",
      help: "how the theme and its document there stand",
      words: "disk files tie workspace directory git sync watch",
      run: () => dialogs.open("folder"),
    },
  ];
  return [
    {
      id: "new",
      group: "Theme",
      name: "New theme …",
      help: "from colours, or import files",
      words: "create begin draw random lock keep logo photo picture",
      run: () => dialogs.open("new"),
    },
    { id: "rename", group: "Theme", name: "Rename theme …", run: () => dialogs.open("name") },
    {
      id: "duplicate",
      group: "Theme",
      name: "Duplicate theme",
      help: "a copy",
      words: "copy clone fork",
      run: () => duplicate(slug),
    },
    ...(hasFolder ? folder : []),
  ];
}

/** What exports carry of scales. */
function pruning(editor: Editor): Action[] {
  return [
    {
      id: "leave-out-unused",
      group: "Theme",
      name: "Leave out the steps that nothing uses",
      help: "of every scale, in exports",
      words: "prune unused only what is used omit variables",
      run: () => void editor.change({ do: "leave-out-unused" }, "unused steps left out"),
    },
    {
      id: "take-back",
      group: "Theme",
      name: "Take every step back into exports",
      words: "prune unused omit all",
      run: () => void editor.commit(takeBack, "every step back in exports"),
    },
  ];
}

/** What is asked about the theme on the page of all. */
function familyActions(slug: string, navigate: Navigate): Action[] {
  const questions: Action[] = (
    [
      [
        "child",
        "New child of this theme …",
        "follows it until it is touched brand family extend logo clients variant colors",
      ],
      ["parent", "Another parent for this theme …", "family extend move free inherit"],
      ["differences", "Side by side with another theme …", "compare difference diff family"],
    ] as const
  ).map(([about, name, words]) => ({
    id: about,
    group: "Theme",
    name,
    words,
    run: () => void navigate({ to: "/family", search: { from: slug, about, of: slug } }),
  }));
  return [
    ...questions,
    {
      id: "own",
      group: "Theme",
      name: "What is its own",
      help: "what a child decides itself, to give back",
      words: "inherited parent overrides reset",
      run: () => dialogs.open("own"),
    },
  ];
}

function removals(): Action[] {
  return [
    {
      id: "delete",
      group: "Theme",
      name: "Delete theme …",
      help: "remove",
      run: () => dialogs.open("delete"),
    },
    {
      id: "deleted",
      group: "Theme",
      name: "Deleted themes …",
      help: "bring back, or delete for good",
      run: () => dialogs.open("deleted"),
    },
  ];
}

function proofActions(navigate: Navigate): Action[] {
  const pages: Action[] = PAGE_NAMES.map((page) => ({
    id: `page-${page}`,
    group: "Proof",
    name: `Proof page: ${page}`,
    words: "preview sample example screen",
    run: () =>
      void navigate({
        to: ".",
        search: (s) => ({ ...s, page: page === "timetable" ? undefined : page }),
      }),
  }));
  const halves: Action[] = (["light", "both", "dark"] as const).map((proof) => ({
    id: `proof-${proof}`,
    group: "Proof",
    name: proof === "both" ? "Proof: light and dark" : `Proof: ${proof} alone`,
    words: "dark mode light mode day night side by side preview",
    run: () =>
      void navigate({
        to: ".",
        search: (s) => ({ ...s, proof: proof === "both" ? undefined : proof }),
      }),
  }));
  return [
    {
      id: "wide",
      group: "Proof",
      name: "Widen the proof to the whole window, and back",
      hotkeys: ["W"],
      keys: "W",
      words: "full screen zoom larger preview",
      run: toggleWide,
    },
    {
      id: "contrast",
      group: "Proof",
      name: "Proof: more contrast, and back",
      words: "accessibility level high 7 aaa prefers-contrast",
      run: toggleContrast,
    },
    {
      id: "shares",
      group: "Proof",
      name: "Proof: shares of the page, and back",
      words: "proportion proportions balance aim dominant secondary accent measure",
      run: toggleShares,
    },
    {
      id: "compare-contrast",
      group: "Proof",
      name: "Proof: beside its own more contrast, and back",
      words: "compare difference level accessibility",
      run: () =>
        void navigate({
          to: ".",
          search: (s) => ({ ...s, against: s.against === AT_MORE ? undefined : AT_MORE }),
        }),
    },
    ...halves,
    ...pages,
  ];
}

/** How others see the proof. */
function eyesOf(vocabulary: Vocabulary | undefined): Action[] {
  const eyes: Action[] = [{ id: "", name: "my own" }, ...(vocabulary?.eyes ?? [])].map(({ id, name }) => ({
    id: `eyes-${id}`,
    group: "Proof",
    name: `Eyes: ${name}`,
    words:
      "vision colour color blindness deficiency simulation blur unsharp acuity glare daylight sunlight outdoors",
    run: () => seeWith(id ? { kind: id, tenths: 10 } : undefined),
  }));
  return eyes;
}

/** Rhodon's own. */
function roomActions(toggleColorScheme: () => void): Action[] {
  return [
    {
      id: "finder",
      group: "Rhodon",
      name: "Find anything",
      hotkeys: ["mod+K"],
      keys: "Ctrl K",
      inFields: true,
      run: () => dialogs.open("finder"),
    },
    {
      id: "keys",
      group: "Rhodon",
      name: "Sheet of keys",
      words: "keyboard shortcuts help hotkeys",
      hotkeys: ["shift+?", "?"],
      keys: "?",
      run: () => dialogs.open("keys"),
    },
    {
      id: "room",
      group: "Rhodon",
      name: "Light or dark room",
      help: "of Rhodon's own screens",
      words: "dark mode light mode toggle night interface appearance settings",
      run: () => toggleColorScheme(),
    },
  ];
}
