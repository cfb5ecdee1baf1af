import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { create } from "zustand";
import { answer, api, type Derived, type Level } from "../api/client";
import { numberOf } from "../api/numberOf";
import { useEditorState } from "./EditorProvider";
import { derivedOf, documentOf, hasMoreOf } from "./selectors";

/** Whether everything is shown as it is for people who ask their system for more contrast. */
const useChoice = create<{ level: Level }>(() => ({ level: "usual" }));

export const toggleContrast = () =>
  useChoice.setState(({ level }) => ({ level: level === "usual" ? "more" : "usual" }));

/** The level that is shown; the usual one where the theme makes no other. */
export function useLevel(): Level {
  const { level } = useChoice();
  const isMade = useEditorState(hasMoreOf);
  return isMade ? level : "usual";
}

/** What the theme comes to at the level that is shown. */
export function useShown(): { level: Level; derived: Derived | undefined } {
  const level = useLevel();
  const derived = useEditorState(derivedOf);
  const spec = useEditorState(documentOf);
  const { data } = useQuery({
    queryKey: ["at-level", level, numberOf(spec)],
    queryFn: () => answer(api.POST("/api/derive", { body: { spec, level } })),
    enabled: level !== "usual",
    placeholderData: keepPreviousData,
    gcTime: 60_000,
    retry: false,
  });
  if (level === "usual") return { level, derived };
  return { level, derived: data };
}
