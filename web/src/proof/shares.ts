import { create } from "zustand";
import type { MeasuredPage } from "../api/check";
import type { Token } from "../api/client";

export type Part = Token["share"];

export const PARTS: Part[] = ["dominant", "secondary", "accent"];

/** How much of a page each part of the balance covers, 0–1. */
export function sumsOf(shares: Map<string, number>, partOf: (css: string) => Part) {
  const sums = { dominant: 0, secondary: 0, accent: 0 };
  for (const [name, share] of shares) sums[partOf(name)] += share;
  return sums;
}

/** The page of the proof as it was measured last, while something asks for it. */
export const useMeasured = create<{ wanted: boolean; page: MeasuredPage | undefined }>(() => ({
  wanted: false,
  page: undefined,
}));
