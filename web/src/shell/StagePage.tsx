import { lazyRouteComponent, useParams } from "@tanstack/react-router";
import { STAGES } from "../stages";

const PAGES = new Map(STAGES.map((stage) => [stage.id, lazyRouteComponent(stage.load)]));

/** Fetches the script of a stage: once it is there, the stage is drawn without a moment of nothing. */
export const loadStage = (stage: string) => PAGES.get(stage)?.preload?.();

/** The stage that the address names. */
export function StagePage() {
  const { stage } = useParams({ from: "/themes/$slug/$stage" });
  const Page = PAGES.get(stage);
  return Page && <Page />;
}
