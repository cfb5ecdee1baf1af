import { lazyRouteComponent, useParams } from "@tanstack/react-router";
import { useDeferredValue, useEffect } from "react";
import { STAGES } from "../stages";
import { focusBench } from "../ui/focusBench";

const PAGES = new Map(STAGES.map((stage) => [stage.id, lazyRouteComponent(stage.load)]));

/** Fetches the script of a stage: once it is there, the stage is drawn without a moment of nothing. */
export const loadStage = (stage: string) => PAGES.get(stage)?.preload?.();

/** The stage that the address names. */
export function StagePage() {
  const { slug, stage } = useParams({ from: "/themes/$slug/$stage" });
  // A large stage is drawn in parts, between which keys and pointer are heard.
  const shown = useDeferredValue(stage);
  const Page = PAGES.get(shown);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each place one comes to
  useEffect(focusBench, [slug, shown]);
  return Page && <Page />;
}
