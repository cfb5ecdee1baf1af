import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import {
  answer,
  api,
  type components,
  type Finding,
  type Level,
  type Mode,
  type ThemeDocument,
} from "./client";
import { numberOf } from "./numberOf";

/** The balance of a page as it was measured, in percent. */
export type MeasuredPage = components["schemas"]["MeasuredPage"];

/** What a check of a document comes to, at a level of contrast, with what a page was measured at. */
export const checkQuery = (spec: ThemeDocument, level: Level, measured?: MeasuredPage) =>
  queryOptions({
    queryKey: ["check", level, numberOf(spec), measured],
    queryFn: () => answer(api.POST("/api/check", { body: { spec, level, measured } })),
    placeholderData: keepPreviousData,
    // Two answers have little in common, and are large: to look for it takes longer than to draw anew.
    structuralSharing: false,
    gcTime: 60_000,
    retry: false,
  });

/** What tells a finding from the others of its theme. */
export const findingKey = ({ id, mode, tokens }: Pick<Finding, "id" | "mode" | "tokens">) =>
  [id, mode ?? "both", ...tokens].join(" ");

/** The mode in which a finding is seen: its own, or the one in which it is worst. */
export const shownMode = ({ mode, worst }: Finding): Mode => ((mode ?? worst) === "dark" ? "dark" : "light");

/** Two colours, or tokens of a document, against each other. */
export const againstQuery = (spec: ThemeDocument, pair: [string, string] | undefined) =>
  queryOptions({
    queryKey: ["against", numberOf(spec), pair],
    queryFn: () => {
      const [front, ground] = pair ?? ["", ""];
      return answer(api.POST("/api/against", { body: { spec, front, ground } }));
    },
    enabled: pair !== undefined,
    gcTime: 60_000,
    retry: false,
  });

/** The tokens of a document that come nearest to a colour. */
export const nearQuery = (spec: ThemeDocument, color: string | undefined) =>
  queryOptions({
    queryKey: ["near-tokens", numberOf(spec), color],
    queryFn: () => answer(api.POST("/api/near-tokens", { body: { spec, color: color ?? "" } })),
    enabled: color !== undefined,
    gcTime: 60_000,
    retry: false,
  });
