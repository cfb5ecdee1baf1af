import { useNavigate } from "@tanstack/react-router";
import { useCallback } from "react";
import { elsewhere } from "../view";

/** Opens another theme in the stage one is in, with the same side, target and pages of the proof. */
export function useOpenTheme(): (slug: string) => void {
  const navigate = useNavigate();
  return useCallback(
    (slug) =>
      void navigate({
        to: "/themes/$slug/$stage",
        params: (at) => ({ slug, stage: at.stage ?? "stave" }),
        search: (seen) => elsewhere(seen, slug),
      }),
    [navigate],
  );
}
