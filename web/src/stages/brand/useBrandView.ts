import { useNavigate, useSearch } from "@tanstack/react-router";
import { useCallback } from "react";
import { useBrand } from "../../lineage/useLineage";
import { SOURCES, type SourceId } from "./sources";

/** Which colour is open and which source is at hand, as the address has them. */
export function useBrandView() {
  const { color, source } = useSearch({ from: "/themes/$slug" });
  const brand = useBrand();
  const navigate = useNavigate();
  const set = useCallback(
    (view: { color?: string; source?: SourceId }) =>
      void navigate({ to: ".", search: (s) => ({ ...s, ...view }), replace: true }),
    [navigate],
  );
  return {
    open: brand.find((b) => b.slug === color) ?? brand[0],
    source: SOURCES.find((s) => s.id === source)?.id ?? "type",
    openBrand: useCallback((slug: string) => set({ color: slug }), [set]),
    openSource: useCallback((id: SourceId) => set({ source: id }), [set]),
  };
}
