import { isPageName, type PageName } from "./proof/pages";

/** What is in view in the stages of a theme, as the address tells it. */
export interface View {
  /** Slug of the brand colour that is open. */
  color?: string;
  /** Where colours come from at the moment. */
  source?: string;
  /** Slug of the scale that is open on the stave. */
  scale?: string;
  /** Which halves of the proof are shown. */
  proof?: "light" | "dark" | "both";
  /** Page of the proof. */
  page?: PageName;
  /** Whether the proof shows a page of one's own. */
  own?: boolean;
  /** What the proof compares with: `rev-12` of this theme, `level:more` of it, or the slug of another. */
  against?: string;
  /** Whether the ledger shows only what is below its limit. */
  failing?: boolean;
  /** The finding that was looked for, as `findingKey` tells it. */
  finding?: string;
  /** Path of the token that the ledger shows. */
  token?: string;
  /** Which side of the handoff is shown. */
  side?: string;
  /** Id of the target that the handoff shows. */
  target?: string;
}

/** What an address tells; what is none of ours is left out. */
export const viewOf = (search: Record<string, unknown>): View => ({
  color: typeof search.color === "string" ? search.color : undefined,
  source: typeof search.source === "string" ? search.source : undefined,
  scale: typeof search.scale === "string" ? search.scale : undefined,
  proof: search.proof === "light" || search.proof === "dark" ? search.proof : undefined,
  page: isPageName(search.page) ? search.page : undefined,
  own: search.own === true ? true : undefined,
  against: typeof search.against === "string" ? search.against : undefined,
  failing: search.failing === true ? true : undefined,
  finding: typeof search.finding === "string" ? search.finding : undefined,
  token: typeof search.token === "string" ? search.token : undefined,
  side: typeof search.side === "string" ? search.side : undefined,
  target: typeof search.target === "string" ? search.target : undefined,
});

/** What of a view another theme has too: not what is chosen in this one, nor what this one is compared with. */
export const elsewhere = ({ source, proof, page, own, against, side, target }: View, slug: string): View => ({
  source,
  proof,
  page,
  own,
  against: against === slug || against?.startsWith("rev-") ? undefined : against,
  side,
  target,
});
