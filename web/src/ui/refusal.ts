import type { Problem } from "../api/client";

/** Why a value was refused, in words, for the field that it was typed in. */
export function refusalOf(problem: Problem): string {
  return problem.problems?.[0]?.message ?? problem.detail;
}
