import { useParams } from "@tanstack/react-router";
import { lazy, Suspense } from "react";
import { STAGES } from "../stages";

const PAGES = new Map(STAGES.map((stage) => [stage.id, lazy(stage.load)]));

/** The stage that the address names, loaded once it is asked for. */
export function StagePage() {
  const { stage } = useParams({ from: "/themes/$slug/$stage" });
  const Page = PAGES.get(stage);
  return <Suspense>{Page && <Page />}</Suspense>;
}
