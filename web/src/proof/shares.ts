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

interface Measured {
  /** Whether the shares of the page are shown. */
  shown: boolean;
  /** Whether something else asks for them. */
  wanted: boolean;
  /** The page of the proof as it was measured last, while something asks for it. */
  page: MeasuredPage | undefined;
}

export const useMeasured = create<Measured>(() => ({ shown: false, wanted: false, page: undefined }));

export const toggleShares = () => useMeasured.setState(({ shown }) => ({ shown: !shown }));
