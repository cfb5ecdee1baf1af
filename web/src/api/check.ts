import { keepPreviousData, queryOptions } from "@tanstack/react-query";
import { answer, api, type Finding, type ThemeDocument } from "./client";
import { numberOf } from "./numberOf";

/** What a check of a document comes to, at a level of contrast. */
export const checkQuery = (spec: ThemeDocument, level: "usual" | "more") =>
  queryOptions({
    queryKey: ["check", level, numberOf(spec)],
    queryFn: () => answer(api.POST("/api/check", { body: { spec, level } })),
    placeholderData: keepPreviousData,
    gcTime: 60_000,
    retry: false,
  });

/** What tells a finding from the others of its theme. */
export const findingKey = ({ id, mode, tokens }: Pick<Finding, "id" | "mode" | "tokens">) =>
  [id, mode ?? "both", ...tokens].join(" ");

/** The tokens of a document that come nearest to a colour. */
export const nearQuery = (spec: ThemeDocument, color: string | undefined) =>
  queryOptions({
    queryKey: ["near-tokens", numberOf(spec), color],
    queryFn: () => answer(api.POST("/api/near-tokens", { body: { spec, color: color ?? "" } })),
    enabled: color !== undefined,
    gcTime: 60_000,
    retry: false,
  });
