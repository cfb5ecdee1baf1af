import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { vocabularyQuery } from "../api/queries";
import { useEyes } from "./eyes";

/** Nine numbers of a matrix and what is added, as the filter takes them: a row for each channel, and opacity as it is. */
const rows = (m: number[], added: number) =>
  `${[0, 3, 6].map((at) => `${m.slice(at, at + 3).join(" ")} 0 ${added}`).join(" ")} 0 0 0 1 0`;

/** The eyes that were chosen, as a filter in linear light: what is seen is what the core measures. */
export function EyesFilter() {
  const { eyes } = useEyes();
  const { data } = useQuery(vocabularyQuery);
  const kind = eyes && data?.eyes.find((e) => e.id === eyes.kind);
  const tenths = eyes?.tenths ?? 0;
  const matrix = kind?.matrices[tenths];
  const blur = kind?.blur[tenths] ?? 0;
  useEffect(() => {
    document.documentElement.toggleAttribute("data-eyes", matrix !== undefined);
  }, [matrix]);
  if (!matrix) return null;
  return (
    <svg width="0" height="0" aria-hidden="true" style={{ position: "absolute" }}>
      <filter id="eyes" colorInterpolationFilters="linearRGB">
        <feColorMatrix type="matrix" values={rows(matrix, kind?.added[tenths] ?? 0)} />
        {blur > 0 && <feGaussianBlur stdDeviation={blur} />}
      </filter>
    </svg>
  );
}
